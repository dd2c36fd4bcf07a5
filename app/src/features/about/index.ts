export { aboutFeature } from './feature';
