export { ServerError, readDemoList, readDemoFile, readMeaning } from './server';
export { createLink, readOpenings, renewLink, withdrawLink } from './links';
export {
  readPagePicture,
  readPageSizes,
  readPageWords,
  readShared,
  readSharedFile,
  sharedFilePath,
  VisitAsked,
  visitLink,
} from './guest';
export { keepForOffline, takeNewVersion, useOffline } from './offline';
export { readTracker, sendTasks } from './tasks';
export { readMailWay, sendMail } from './mail';
