export { keepingFeature } from './feature';
