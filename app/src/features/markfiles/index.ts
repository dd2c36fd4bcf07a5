export { markFilesFeature } from './feature';
