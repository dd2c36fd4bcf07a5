import { number, object, string } from 'yup';
import { colourShape } from '../../marks/index.ts';

/** A label of the person's own, which threads can carry. */
export interface Tag {
  readonly id: string;
  readonly name: string;
  /** `#rrggbb` in sRGB. */
  readonly colour: string;
  readonly order: number;
}

export const tagShape = object({
  id: string().strict().required().max(100),
  name: string().strict().required().max(200),
  colour: colourShape,
  order: number().strict().required(),
});
