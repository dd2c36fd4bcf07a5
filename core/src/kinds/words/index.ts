export {
  type MarkedWord,
  type Strip,
  type WordsMark,
  asWords,
  isArea,
  textOfStrips,
} from './mark.ts';
export { areaBetween, areaEnds } from './area.ts';
export { rangesOf } from './ranges.ts';
export { stripsOf } from './strips.ts';
export { withWordsOf } from './underStrips.ts';
export { WORDS } from './words.ts';
