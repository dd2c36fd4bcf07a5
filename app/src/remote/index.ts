export {
  ServerError,
  createLink,
  withdrawLink,
  readShared,
  readSharedFile,
  sharedFilePath,
  readDemoList,
  readDemoFile,
  readMeaning,
} from './server';
export { keepForOffline, takeNewVersion, useOffline } from './offline';
export { readTracker, sendTasks } from './tasks';
