export { asStamp, type StampMark } from './mark.ts';
export { MOST_PARTS, stampKind } from './stamp.ts';
