export { wordsFeature } from './feature';
