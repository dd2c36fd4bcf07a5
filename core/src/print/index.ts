export { type RawPrint } from './rawPrint.ts';
export {
  type PageText,
  type Print,
  type PrintLine,
  type PrintWord,
  type TextRange,
  EMPTY_PRINT,
  bodyOf,
} from './print.ts';
export { isFromRight } from './direction.ts';
export { textBeneath } from './textBeneath.ts';
export { readPrint } from './readPrint.ts';
export { type FindOptions, findInPrint } from './find.ts';
export { DocumentText, type FoundOn, MOST_HITS, type PrintedHit } from './documentText.ts';
export {
  drawnDotNear,
  drawnRuleNear,
  type DrawnShapes,
  NO_SHAPES,
  type OnRule,
} from './drawnShapes.ts';
export { type AnswerLine, answerLines } from './answerLines.ts';
export { answerLineAt, linesAfter } from './meantLine.ts';
export { tickBoxAt, tickBoxes } from './tickBoxes.ts';
export { alongLine, type AlongLine } from './alongLine.ts';
export {
  type Quad,
  areasOfQuads,
  aroundQuad,
  linesWithin,
  mapQuad,
  partOfQuad,
  pathOfQuads,
  quadsOf,
} from './quads.ts';
export {
  columnAt,
  firstWordSeen,
  placeNear,
  wordAround,
  wordsBetween,
  sentenceAround,
} from './places.ts';
export { type HeadingsOn, headingsOf, headingsOn, type PlacedHeading } from './headings.ts';
export { paragraphsOf, type Told } from './paragraphs.ts';
export { toldOf } from './told.ts';
export { toldNear } from './toldNear.ts';
export { type TaggedPage, type TaggedPart } from './tagged.ts';
export { type Sentence, sentencesOf, type Spoken, spokenOf } from './sentences.ts';
export { type WordsMeant, wordsMeant, type WordWay } from './wordsMeant.ts';
export { wordNumber, wordOnNextLine } from './steps.ts';
export { type Quote, quoteOf, textOf } from './quote.ts';
export { type PaperSample, dotNear } from './dotNear.ts';
export { type PrintedRule, rulesIn } from './rulesIn.ts';
export { lineOf, nextPlace, type WindowOnPage, type WritingLine } from './nextPlace.ts';
export {
  LETTER_UNITS,
  lettersFor,
  lettersOfLine,
  placedLetters,
  type PrintedLetter,
  printedLettersShape,
} from './printedLetters.ts';
