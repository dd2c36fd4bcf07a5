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
export { problemWith } from './problem.ts';
export { filledOn, isSwitched, valueOf } from './values.ts';
export { emptyForm, fillAll, fillField, type FillTools, resetForm } from './fill.ts';
export { emptyRequired, staleSums } from './wanting.ts';
export { valuesSince } from './valuesSince.ts';
export { withoutSecrets } from './withoutSecrets.ts';
