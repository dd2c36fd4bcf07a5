export { asNote, type NoteMark } from './mark.ts';
export { NOTE } from './note.ts';
