export { linksFeature } from './feature';
