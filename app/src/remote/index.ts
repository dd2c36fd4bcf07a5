export { ServerError, readDemoList, readDemoFile, readMeaning } from './server';
export {
  createLink,
  readOpenings,
  readShared,
  readSharedFile,
  renewLink,
  sharedFilePath,
  visitLink,
  withdrawLink,
} from './links';
export { keepForOffline, takeNewVersion, useOffline } from './offline';
export { readTracker, sendTasks } from './tasks';
export { readMailWay, sendMail } from './mail';
