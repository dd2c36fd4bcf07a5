export { sendingFeature } from './feature';
