import { array, object } from 'yup';
import { finite } from '../marks/index.ts';

/** A place in user space as it is stored. */
export const pointShape = object({ x: finite, y: finite }).required();

/** A quadrilateral as it is stored. */
export const quadShape = array(pointShape).strict().required().length(4);
