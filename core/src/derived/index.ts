export { type MarkLine, linesOf, wholeLines, placeAlong } from './lines.ts';
export {
  outlineOf,
  insideOfMark,
  boundsOf,
  roughBoundsOf,
  centrelinesOf,
  nibOf,
  adoptDerived,
} from './outlineOf.ts';
export { marksMeeting } from './pageIndex.ts';
export {
  type MarkLayers,
  type HighlightGroup,
  layersFrom,
  layersMeeting,
  layersOf,
} from './layers.ts';
export { SLOTS, markSlots } from './markSlots.ts';
export { changedBox } from './changedBox.ts';
export { shareWithin } from './shareWithin.ts';
export { isTouched } from './touch.ts';
export {
  type ListedMark,
  type MarkFilter,
  type MarkKind,
  type PrintedWord,
  filterMarks,
  kindOf,
  listMarks,
  wordsBeneath,
} from './markList.ts';
