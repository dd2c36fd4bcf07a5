export {
  type Page,
  type Shown,
  type Turn,
  cropPage,
  framePage,
  isCutDown,
  isWidened,
  withoutRest,
  pageShape,
  pagesOfSource,
  paperPage,
  turnPage,
  unnumbered,
} from './page.ts';
export {
  type Attachment,
  attachmentShape,
  LARGEST_ATTACHMENT,
  LARGEST_PICTURE,
  type PictureType,
} from './attachment.ts';
export {
  LARGEST_NUMBER,
  LONGEST_PREFIX,
  NUMBER_STYLES,
  numberedName,
  type Numbering,
  type NumberStyle,
  spellNumber,
} from './numbering.ts';
export type { Bookmark } from './bookmark.ts';
export { LONGEST_REMARK, MOST_STROKES, type Remark, REMARK_SHEET, type Thread } from './thread.ts';
export type { Tag } from './tag.ts';
export { isDay, LONGEST_TASK_WORD, type Task } from './task.ts';
export { type LinkTarget, LONGEST_ADDRESS, type OwnLink } from './ownLink.ts';
export {
  type PartName,
  type Parts,
  fromPartRecord,
  isPartName,
  PART_NAMES,
  PartRecordError,
  samePart,
  toPartRecord,
} from './parts.ts';
