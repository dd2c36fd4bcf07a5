export { asCorrection, type CorrectionMark, type OwnLetters } from './mark.ts';
export { LONGEST_LINE, NARROWEST, WIDEST } from './record.ts';
export { blockOfCorrection, CORRECTION, cornersOfCorrection } from './correction.ts';
