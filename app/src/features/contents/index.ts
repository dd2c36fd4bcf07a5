export { contentsFeature } from './feature';
