export { hintsFeature } from './feature';
