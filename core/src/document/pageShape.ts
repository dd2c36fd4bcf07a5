import { number, object } from 'yup';

export const boxShape = object({
  minX: number().strict().required(),
  minY: number().strict().required(),
  maxX: number().strict().required(),
  maxY: number().strict().required(),
});

export const pointShape = object({
  x: number().strict().required(),
  y: number().strict().required(),
});

/** A page's geometry as it is stored and copied; see PageBox. */
export const pageBoxShape = object({
  box: boxShape.required(),
  rotate: number().strict().oneOf([0, 90, 180, 270]).required(),
  userUnit: number().strict().positive().required(),
});
