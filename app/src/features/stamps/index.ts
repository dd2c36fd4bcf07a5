export { stampsFeature } from './feature';
