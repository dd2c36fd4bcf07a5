import { PEN_INKS } from '@marginalis/core/marks';

/** How a note shows on the page: the line of dots beneath words, and the dot at a place. */
export const SIGN = { colour: PEN_INKS[0].colour, width: 1.2, opacity: 1 };
