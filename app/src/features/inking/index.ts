export { inkingFeature } from './feature';
