/** Distances in pixels, from hair to page. */
export const SPACE = { xs: 4, s: 8, m: 12, l: 16, xl: 24, xxl: 32 } as const;

export const CORNER = { card: 16, field: 12, pill: 999 } as const;

/** The smallest thing a thumb can be asked to hit. */
export const TOUCH_PX = 44;

/** From this width on there is a rail instead of the bottom bar, and columns instead of one. */
export const WIDE_FROM_PX = 900;
