export { hereFeature } from './feature';
