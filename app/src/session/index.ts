export { DocumentSession, pagesAsCame } from './documentSession';
export type { Begun, SessionState, TidyOffer, Undoable } from './sessionState';
export { openSession, leaveSession, useOpenSessions, useUnloadGuard } from './openSessions';
export { SessionContext, useHand, useSession, useSessionState } from './SessionContext';
export { fingersWrite, usePenRoll } from './penRoll';
export type { Lesson } from './lessons';
export { type AwaitedTouch, eraserOfRoll, Hand, type HandState } from './hand';
export {
  type Added,
  DESK_KEY,
  deskDocuments,
  addDocument,
  unlockDocument,
  renameDocument,
  dropRemoved,
  noteWorkedOn,
  changeDocument,
} from './desk';
export { useRemoval } from './removal';
export { offeredDemos, addDemo, seedDesk } from './demo';
export { passwordFor } from './passwords';
