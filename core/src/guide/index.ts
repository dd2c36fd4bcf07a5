export { type LeadsGone, leadsGone } from './leadsGone.ts';
export { cornerOf, type FilePlace, type OutlineEntry, pointOf } from './outline.ts';
export { outlinesOf, type SourceOutline } from './outlinesOf.ts';
export { proposeOutline } from './proposeOutline.ts';
export { pageNamed, pageNames } from './pageNames.ts';
export {
  bookmarkRows,
  contentsOf,
  type ContentsRow,
  farOf,
  type GuidePlace,
  ownBookmarks,
  rowAt,
  unfolded,
} from './contents.ts';
