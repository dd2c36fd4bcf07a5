export { redactingFeature } from './feature';
