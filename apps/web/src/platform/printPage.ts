/** Prints the page as it stands, once what lay over it is gone. */
export const printPage = (): void => void setTimeout(() => window.print(), 120);
