export { viewFeature } from './feature';
