export { ServerError, readDemoList, readDemoFile, readMeaning } from './server';
export { createLink, putNotes, readAnswers, readOpenings, renewLink, withdrawLink } from './links';
export {
  readNotes,
  readPagePicture,
  readPageSizes,
  readPageWords,
  readShared,
  readSharedFile,
  sendAnswer,
  sharedFilePath,
  VisitAsked,
  visitLink,
} from './guest';
export { keepForOffline, takeNewVersion, useOffline } from './offline';
export { readTracker, sendTasks } from './tasks';
export { readMailWay, sendMail } from './mail';
export { handOver, readStandIns } from './standIns';
