import { array, boolean, object, string } from 'yup';
import { markShape, type MarkRecord, shareShape, WORD_MANNERS } from '../../marks/index.ts';
import { quadShape } from '../quadShape.ts';
import type { WordsMark } from './mark.ts';

/** Lines, words of a line and units of a word that nobody has marked at once. */
const MOST_STRIPS = 2000;
const MOST_WORDS = 1000;
const MOST_UNITS = 500;
const MOST_AROUND = 200;

const word = object({
  text: string().strict().required().max(MOST_UNITS),
  from: shareShape,
  to: shareShape,
}).required();
const strip = object({
  quad: quadShape,
  words: array(word).strict().defined().max(MOST_WORDS),
  joins: boolean().strict().oneOf([true]),
}).required();
const around = string().strict().defined().max(MOST_AROUND);
const shape = object({
  ...markShape,
  manner: string()
    .strict()
    .oneOf([...WORD_MANNERS])
    .required(),
  strips: array(strip).strict().required().min(1).max(MOST_STRIPS),
  before: around,
  after: around,
});

export const toWordsRecord = (mark: WordsMark): MarkRecord => ({ ...mark });

export const fromWordsRecord = (record: unknown): WordsMark =>
  shape.validateSync(record, { strict: true }) as unknown as WordsMark;
