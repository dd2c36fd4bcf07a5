export { pickingFeature } from './feature';
