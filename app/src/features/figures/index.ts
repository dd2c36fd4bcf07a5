export { figuresFeature } from './feature';
