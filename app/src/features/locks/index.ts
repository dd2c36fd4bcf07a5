export { locksFeature } from './feature';
