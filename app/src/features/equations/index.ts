export { equationsFeature } from './feature';
