/** Controls, hidden when printing. */
export const ONLY_ON_SCREEN = { dataSet: { onlyOnScreen: '' } } as object;
