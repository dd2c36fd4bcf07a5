export {
  ServerError,
  createLink,
  withdrawLink,
  readShared,
  readSharedFile,
  sharedFilePath,
  readDemoList,
  readDemoFile,
} from './server';
export { keepForOffline, takeNewVersion, useOffline } from './offline';
