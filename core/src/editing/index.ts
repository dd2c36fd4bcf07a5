export { type Stroke, drawInk } from './draw.ts';
export {
  type FinishedStroke,
  type StrokeWork,
  strokeWork,
  finishStroke,
  drawFinished,
} from './finishStroke.ts';
export {
  type FigureOffer,
  type FoundFigure,
  findFigure,
  offerTidy,
  settleOn,
} from './offerTidy.ts';
export { type ScratchOffer, offerScratch, takeScratch } from './offerScratch.ts';
export { tidyMarks, backToInk } from './tidy.ts';
export { type DrawnOutright, type FigurePart, changeFigure, drawFigure } from './figures.ts';
export { type BoxToTick, tickBox } from './tickBox.ts';
export { answerBox, type AnswerBox } from './answerBox.ts';
export {
  changeTexts,
  emptyText,
  keepText,
  lookOfText,
  type NewText,
  relookText,
  type TextLookChange,
} from './typing.ts';
export { clearPage, marksTouched, removeMarks } from './erase.ts';
export { rubInk } from './rubInk.ts';
export { type Rubbing, startRubbing } from './rubbing.ts';
export { type Restyle, restyleMarks, lockMarks, steadyInk } from './restyle.ts';
export { marksAt, marksWithin, wordOf, withGroups, pickedBy } from './pick.ts';
export { isInPieces, takeApart } from './takeApart.ts';
export {
  carryMark,
  carryMarks,
  moveToPage,
  boundsOfAll,
  pageMap,
  boundsCarried,
  carryTogether,
} from './carry.ts';
export {
  type Alignment,
  alignMarks,
  distributeMarks,
  groupMarks,
  ungroupMarks,
  orderMarks,
} from './arrange.ts';
export {
  type Clip,
  ClipError,
  copyMarks,
  renewedMarks,
  duplicateMarks,
  pasteMarks,
  readClip,
  writeClip,
} from './clip.ts';
export { takeIn, type TakenIn } from './takeIn.ts';
export { type IncomingInk, bringInInk } from './bringIn.ts';
export {
  addPaper,
  addPapers,
  bringPages,
  type ContentsEntry,
  cropPages,
  duplicatePages,
  type Insets,
  insetsOf,
  interleavePages,
  keepNumbers,
  makeContents,
  NUMBER_PLACES,
  type NumberPlace,
  numberPages,
  printNumbers,
  removeNumbers,
  movePages,
  removePages,
  replacePage,
  reversePages,
  turnPages,
  widenPages,
} from './pages/index.ts';
export { addBookmark, moveBookmark, removeBookmark, renameBookmark } from './bookmarks.ts';
export { type AreaMarking, markArea, resizeArea } from './markArea.ts';
export {
  addNote,
  answerNote,
  labelNote,
  moveNote,
  type NewNote,
  type NoteAbout,
  removeAnswer,
  removeNote,
  reopenNote,
  rewordRemark,
  setTask,
  settleNote,
} from './notes.ts';
export { keepAttachments } from './keepAttachments.ts';
export { repeatMarks } from './repeat.ts';
export {
  cropGraphic,
  cropPicture,
  swapPicture,
  describePicture,
  type NewGraphic,
  type NewPicture,
  putGraphic,
  putPicture,
} from './pictures.ts';
export { changeEquation, type NewEquation, putEquation, type SetTex } from './equations.ts';
export {
  correctionOf,
  correctPrint,
  lineWith,
  looksLike,
  type NewCorrection,
  type PrintedLine,
  printedLineAt,
  besideLine,
  correctLines,
  type LineFound,
  linesLike,
} from './corrections.ts';
export { type NewRedaction, redact } from './redactions.ts';
export { addLinks, changeLink, keepLinks, removeLinks } from './links.ts';
export { keepNotes } from './keepNotes.ts';
export { followersOf, keepTies } from './keepTies.ts';
export { addTag, removeTag } from './tags.ts';
export { type WordMarking, markWords } from './markWords.ts';
export { rangeOfWords, stretchedWords, stretchWords } from './stretchWords.ts';
export {
  BOX_HANDLES,
  type BoxHandle,
  boxDrag,
  handlePlace,
  leavesAlone,
  stoppedAtEdge,
} from './boxDrag.ts';
export { missingAttachments } from './missingAttachments.ts';
