/** CSS values that the web accepts and the types of React Native lack. */
export const STICKY = 'sticky' as 'relative';
export const SCROLL_WHERE_NEEDED = 'auto' as 'scroll';
export const TEXT_CURSOR = 'text' as 'auto';
export const FIT_CONTENT = 'fit-content' as 'auto';
