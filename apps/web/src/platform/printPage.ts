/** Prints the page after an open sheet has closed. */
export const printPage = (): void => void setTimeout(() => window.print(), 120);
