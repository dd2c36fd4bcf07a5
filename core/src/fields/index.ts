export {
  type Choice,
  type FieldSort,
  type Form,
  type FormField,
  type FormWidget,
  isFillable,
  NO_FORM,
  type TabOrder,
} from './form.ts';
export { type FieldPlace, fieldsInOrder } from './tabOrder.ts';
export { valueInFile, valuesSince } from './valuesSince.ts';
export { problemWith } from './problem.ts';
export {
  emptyForm,
  fillAll,
  emptyRequired,
  fillField,
  filledOn,
  type FillTools,
  resetForm,
  staleSums,
  textOfValue,
  valueOf,
} from './fill.ts';
