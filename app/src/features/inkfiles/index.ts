export { inkFilesFeature } from './feature';
