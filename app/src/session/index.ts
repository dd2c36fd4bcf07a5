export { DocumentSession } from './documentSession';
export { pagesAsCame } from './pagesAsCame';
export type { Begun, SessionState, TidyOffer, Undoable } from './sessionState';
export { openSourceFile } from './sourceFile';
export { SourceFiles } from './sourceFiles';
export { openSession, leaveSession, useOpenSessions, useUnloadGuard } from './openSessions';
export { useLatelyWritten } from './useLatelyWritten';
export {
  SessionContext,
  useHand,
  usePageNames,
  useSession,
  useSessionState,
} from './SessionContext';
export { fingersWrite, useSettings } from './settings';
export type { Hint } from './hints';
export { type AwaitedTouch, eraserOfRoll, Hand, type HandState } from './hand';
export {
  type Added,
  type ReturnedCopy,
  DESK_KEY,
  deskDocuments,
  addDocument,
  renameDocument,
  dropRemoved,
  noteWorkedOn,
  changeDocument,
} from './desk';
export { leaveWritten, takeUpWritten, type TakenUpWritten } from './writtenElsewhere';
export { leftInWords, writtenInWords } from './writtenInWords';
export { returnedInWords } from './returned';
export { answersOnDesk, takeInAnswers } from './guestAnswers';
export { takeInElsewhere, takeInWaiting, takeInWhenOpened } from './takingIn';
export { useRemoval } from './removal';
export { offeredDemos, addDemo, seedDesk } from './demo';
export { type ChosenPart, type TypedSelection, type WordEnd, WordsInHand } from './wordsInHand';
export { DocumentSearch, type SearchHit, type SearchState } from './documentSearch';
export {
  type BeingRead,
  ReadingAloud,
  type ReadingState,
  type ReadingWay,
  timeOnWord,
} from './readingAloud';
export { SourcePrint } from './sourcePrint';
export { usePagePrint } from './usePagePrint';
export { dayInWords, noteInWords, type NoteInWords, taskInWords, timeInWords } from './noteInWords';
export { Guide, type GuideState, outlinesIn } from './guide';
export { passwordFor, passwordOf } from './passwords';
export { BYTES_GONE, pageFile } from './pageFile';
export { wordAt } from './wordAt';
export { stampFieldsFor } from './stampFields';
export { useDrawer } from './drawer';
export { keepInDrawer, lastOrder, noteUsed } from './keepInDrawer';
export { formKnown, formOf, useForm } from './forms';
export { useOwnFonts } from './ownFonts';
export { unlockDocument } from './unlocking';
export { takeKind } from './takeKind';
export { typingInstrument } from './typingInstrument';
export { layPages } from './layPages';
export { type Coming, pagesOfDocument, pagesOfFiles, type Reading } from './comingPages';
