export { teachingFeature } from './feature';
