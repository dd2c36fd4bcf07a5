export { type LeadsGone, leadsGone } from './leadsGone.ts';
export { cornerOf, type FilePlace, type OutlineEntry, pointOf } from './outline.ts';
export { proposeOutline } from './proposeOutline.ts';
export { pageNamed, pageNames } from './pageNames.ts';
export {
  bookmarkRows,
  contentsOf,
  type ContentsRow,
  farOf,
  type GuidePlace,
  outlinesOf,
  ownBookmarks,
  rowAt,
  type SourceOutline,
  unfolded,
} from './contents.ts';
