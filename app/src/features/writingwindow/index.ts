export { writingWindowFeature } from './feature';
