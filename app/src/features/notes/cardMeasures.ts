/** Between two cards beside the page, CSS pixels. */
export const GAP = 8;
/** How far beneath its head a card's line meets it. */
export const MEETS = 20;
/** How high a folded card is, about. */
export const FOLDED = 74;
