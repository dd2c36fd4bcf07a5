export { fieldsFeature } from './feature';
