export {
  asField,
  type FieldFrame,
  type FieldLetters,
  type FieldMark,
  type Sign,
  SIGNS,
  type WidgetPlace,
} from './mark.ts';
export { LONGEST_VALUE } from './record.ts';
export { hiddenText, letterSize, lettersIn, placeOfWidget } from './draw.ts';
export { FIELD } from './field.ts';
