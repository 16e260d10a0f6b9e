/** Children share one layer, for very many cells; none of them may be positioned. */
export const FLAT = { dataSet: { flat: '' } } as object;
