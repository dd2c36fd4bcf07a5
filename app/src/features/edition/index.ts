export { editionFeature } from './feature';
