export { happenedFeature } from './feature';
