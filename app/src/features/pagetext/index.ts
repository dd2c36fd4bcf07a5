export { pageTextFeature } from './feature';
