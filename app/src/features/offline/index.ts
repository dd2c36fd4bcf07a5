export { offlineFeature } from './feature';
