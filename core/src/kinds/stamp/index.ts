export { asStamp, type StampMark } from './mark.ts';
export { stampKind } from './stamp.ts';
