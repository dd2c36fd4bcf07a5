import type { StampDesign } from './design.ts';

const RUBRIC = '#c22f17';
const VERDIGRIS = '#0f7566';
const IRON_GALL = '#1f3361';

/** The stamps that everybody finds in the drawer: what is said on papers of a class again and again. */
export const FIRST_STAMPS: readonly StampDesign[] = [
  { id: 'seen', says: 'Seen · {date}', form: 'frame', colour: IRON_GALL, size: 12 },
  { id: 'well-observed', says: 'Well observed', form: 'pennant', colour: VERDIGRIS, size: 14 },
  { id: 'clearly-put', says: 'Clearly put', form: 'pennant', colour: VERDIGRIS, size: 14 },
  { id: 'look-again', says: 'Look again', form: 'underlined', colour: RUBRIC, size: 14 },
  { id: 'show-the-way', says: 'Show how you got there', form: 'tag', colour: RUBRIC, size: 11 },
  { id: 'which-unit', says: 'Which unit?', form: 'tag', colour: RUBRIC, size: 11 },
  { id: 'whole-sentence', says: 'In a whole sentence', form: 'tag', colour: RUBRIC, size: 11 },
  { id: 'unfinished', says: 'Not finished yet', form: 'frame', colour: RUBRIC, size: 12 },
  { id: 'come-and-ask', says: 'Come and ask me', form: 'ring', colour: IRON_GALL, size: 12 },
  { id: 'second-draft', says: 'Second draft', form: 'double', colour: IRON_GALL, size: 12 },
  { id: 'by-whom', says: '{name} · {date}', form: 'underlined', colour: IRON_GALL, size: 11 },
  { id: 'which-page', says: '{title}, page {page}', form: 'double', colour: IRON_GALL, size: 10 },
];
