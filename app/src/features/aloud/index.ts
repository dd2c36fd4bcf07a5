export { aloudFeature } from './feature';
