export { DocumentSession, type SessionState, type TidyOffer, pageRefs } from './documentSession';
export { openSession, leaveSession, useOpenSessions, useUnloadGuard } from './openSessions';
export { SessionContext, useSession, useSessionState } from './SessionContext';
export { usePenRoll, instrumentInHand, eraserOfRoll } from './penRoll';
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
export { FIGURE_NAMES } from './figureNames';
export { passwordFor } from './passwords';
