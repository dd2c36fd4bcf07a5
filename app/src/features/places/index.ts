export { placesFeature } from './feature';
