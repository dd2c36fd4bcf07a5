export { practiceFeature } from './feature';
