export { asText, type Leader, type TextMark } from './mark.ts';
export { leaderPoints } from './leader.ts';
export { LETTER_SIZES, LONGEST_TEXT } from './record.ts';
export { cornersOfBox, placeOfBox, sizeOfBox } from './box.ts';
export { TEXT } from './text.ts';
