export { notesFeature } from './feature';
