export { DocumentSession, pagesAsCame } from './documentSession';
export type { SessionState, TidyOffer } from './sessionState';
export { openSession, leaveSession, useOpenSessions, useUnloadGuard } from './openSessions';
export { SessionContext, useHand, useSession, useSessionState } from './SessionContext';
export { usePenRoll } from './penRoll';
export { type AwaitedTouch, eraserOfRoll, Hand, type HandState } from './hand';
export {
  type Added,
  deskDocuments,
  addDocument,
  unlockDocument,
  renameDocument,
  removeDocument,
  putBack,
  dropRemoved,
  noteWorkedOn,
} from './desk';
export { markInUse } from './inUse';
export { offeredDemos, addDemo, seedDesk } from './demo';
export { passwordFor } from './passwords';
