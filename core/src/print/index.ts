export { type PaperSample, dotNear } from './dotNear.ts';
export { type PrintedRule, rulesIn } from './rulesIn.ts';
export { lineOf, nextPlace, type WindowOnPage, type WritingLine } from './nextPlace.ts';
