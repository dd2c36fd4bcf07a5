/** How paper is seen: as it is, tinted like old paper, or dark with light print. */
export type PaperLook = 'plain' | 'sepia' | 'night';

/** Light becomes dark and keeps its hue: white paper a dark grey, blue ink a lighter blue. */
export const NIGHT_FILTER = 'invert(0.9) hue-rotate(180deg)';
/** What lies between the paper and the eye, multiplied. */
export const SEPIA_TINT = '#f3e4c6';

/** How what is laid over print is mixed with it, so that print stays legible. */
export const blendOn = (look: PaperLook): 'multiply' | 'screen' =>
  look === 'night' ? 'screen' : 'multiply';
