import { createContext } from 'react';

/** Whether it stands on paper, where nothing can be tapped. */
export const IsPrinted = createContext(false);
