/** What is there to be tapped and says nothing by itself: it is left out on paper. */
export const ONLY_ON_SCREEN = { dataSet: { onlyOnScreen: '' } } as object;
