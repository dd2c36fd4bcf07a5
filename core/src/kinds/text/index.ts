export { asText, type Leader, type TextMark } from './mark.ts';
export { leaderPoints, leaderWidth } from './leader.ts';
export { LONGEST_TEXT } from './record.ts';
export { cornersOfBox, placeOfBox } from './box.ts';
export { TEXT } from './text.ts';
