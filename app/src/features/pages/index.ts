export { pagesFeature } from './feature';
