import { number, object } from 'yup';

/** A page's geometry as it is stored and copied; see PageBox. */
export const pageBoxShape = object({
  box: object({
    minX: number().strict().required(),
    minY: number().strict().required(),
    maxX: number().strict().required(),
    maxY: number().strict().required(),
  }).required(),
  rotate: number().strict().oneOf([0, 90, 180, 270]).required(),
  userUnit: number().strict().positive().required(),
});
