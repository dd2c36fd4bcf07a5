import { RESPONSE_RANGE } from '../ink/index.ts';
import { number, object } from 'yup';

/** A number that is there and finite. */
export const finite = number()
  .strict()
  .required()
  .test('finite', '${path} must be a finite number', Number.isFinite);

/** What a stored nib must look like: in marks, and in the instruments of a pen roll. */
export const nibShape = object({
  thinning: finite.min(0).max(1),
  response: finite.min(RESPONSE_RANGE.least).max(RESPONSE_RANGE.most),
  tiltWidening: finite.min(0).max(1),
  /** Earlier releases knew none. */
  grain: number().min(0).max(1).default(0),
  taper: finite.min(0).max(100),
  edge: object({ angle: finite, flatness: finite.min(0.1).max(1) })
    .nullable()
    .defined()
    .default(null),
});
