export {
  filledIn,
  STAMP_FORMS,
  type StampDesign,
  type StampFields,
  type StampForm,
  withFields,
} from './design.ts';
export { FIRST_STAMPS } from './firstSet.ts';
export { makeStamp, type NewStamp, stampAt, wordsOfStamp } from './makeStamp.ts';
