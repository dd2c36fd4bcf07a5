export { markListFeature } from './feature';
