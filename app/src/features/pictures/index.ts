export { picturesFeature } from './feature';
