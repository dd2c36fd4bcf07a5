export { meaningFeature } from './feature';
