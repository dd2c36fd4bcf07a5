export { correctingFeature } from './feature';
