/** What is in here stands in one layer: for cells of which there are very many. Nothing in them may be placed by itself. */
export const FLAT = { dataSet: { flat: '' } } as object;
