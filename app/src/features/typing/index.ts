export { typingFeature } from './feature';
