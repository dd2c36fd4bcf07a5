export { type MarkedWord, type Strip, type WordsMark, asWords, textOfStrips } from './mark.ts';
export { areaBetween } from './area.ts';
export { rangesOf } from './ranges.ts';
export { stripsOf } from './strips.ts';
export { WORDS } from './words.ts';
