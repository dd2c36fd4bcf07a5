export { historyFeature } from './feature';
