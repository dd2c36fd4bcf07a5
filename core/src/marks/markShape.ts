import { array, boolean, number, object, string } from 'yup';
import { finite } from './nibShape.ts';

/** Thrown when stored data is not a mark; the message says which part. */
export class MarkRecordError extends Error {
  override readonly name = 'MarkRecordError';
}

/** A mark as plain JSON. */
export type MarkRecord = Record<string, unknown>;

/** 0–1, as it is stored. */
export const shareShape = finite.min(0).max(1);

/** `#rrggbb`, as it is stored. */
export const colourShape = string()
  .strict()
  .required()
  .matches(/^#[0-9a-f]{6}$/);

const id = string().strict().required().max(100);

/** Runs that rubbing may have left of one mark. */
const MOST_RUNS = 10_000;
const runShape = object({
  line: finite.integer().min(0),
  from: finite.min(0),
  to: finite.min(0),
}).required();

/** What every stored mark must have, whatever its kind. */
export const markShape = {
  kind: string().strict().required(),
  id,
  page: id,
  order: finite,
  madeAt: finite,
  style: object({
    colour: colourShape,
    width: finite.min(0).max(1000),
    opacity: shareShape,
  }).required(),
  left: array(runShape).strict().min(1).max(MOST_RUNS),
  group: string().strict().max(100),
  author: string().strict().max(200),
  locked: boolean().strict().oneOf([true]),
};

/** Units of text that may say what is to be seen on a picture. */
export const LONGEST_SAID = 2000;

/** Where something was carried, as it is stored. */
export const matrixShape = array(number().strict().required().min(-1e6).max(1e6))
  .strict()
  .length(6);
