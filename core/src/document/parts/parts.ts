import { type Schema, ValidationError } from 'yup';
import { fromMarkRecord, type Mark, toMarkRecord } from '../../kinds/index.ts';
import { MarkRecordError } from '../../marks/index.ts';
import { type Attachment, attachmentShape } from './attachment.ts';
import { type Bookmark, bookmarkShape } from './bookmark.ts';
import { type OwnLink, ownLinkShape } from './ownLink.ts';
import { type Page, pageShape } from './page.ts';
import { type Tag, tagShape } from './tag.ts';
import { fromThreadRecord, type Thread, toThreadRecord } from './thread.ts';

/** Everything of a document that can be changed, and undone: each part has an id, and is never changed in place. */
export interface Parts {
  mark: Mark;
  page: Page;
  bookmark: Bookmark;
  thread: Thread;
  tag: Tag;
  link: OwnLink;
  attachment: Attachment;
}
export type PartName = keyof Parts;

/** Thrown when stored data is not the part it should be; the message says what is wrong. */
export class PartRecordError extends Error {
  override readonly name = 'PartRecordError';
}

interface PartCodec<T> {
  /** Plain JSON, which {@link fromRecord} of this and every later release reads. */
  toRecord(part: T): object;
  /** @throws ValidationError, MarkRecordError */
  fromRecord(record: unknown): T;
}

/** Parts that are plain JSON already. */
const plain = <T extends object>(shape: { required(): Schema }): PartCodec<T> => ({
  toRecord: (part) => part,
  fromRecord: (record) => shape.required().validateSync(record, { strict: true }) as T,
});

const CODECS: { readonly [P in PartName]: PartCodec<Parts[P]> } = {
  mark: { toRecord: toMarkRecord, fromRecord: fromMarkRecord },
  page: plain<Page>(pageShape),
  bookmark: plain<Bookmark>(bookmarkShape),
  thread: { toRecord: toThreadRecord, fromRecord: fromThreadRecord },
  tag: plain<Tag>(tagShape),
  link: plain<OwnLink>(ownLinkShape),
  attachment: plain<Attachment>(attachmentShape),
};

export const PART_NAMES = Object.keys(CODECS) as readonly PartName[];

export const isPartName = (name: unknown): name is PartName =>
  typeof name === 'string' && Object.hasOwn(CODECS, name);

export const toPartRecord = <P extends PartName>(part: P, value: Parts[P]): object =>
  CODECS[part].toRecord(value);

/** @throws PartRecordError when `record` is not what {@link toPartRecord} makes, or made in an earlier release */
export function fromPartRecord<P extends PartName>(part: P, record: unknown): Parts[P] {
  try {
    return CODECS[part].fromRecord(record);
  } catch (e) {
    if (e instanceof ValidationError || e instanceof MarkRecordError)
      throw new PartRecordError(`A stored ${part} is damaged: ${e.message}`);
    throw e;
  }
}

/** Equal in every stored value, whether or not they are the same object. */
export const samePart = <P extends PartName>(part: P, a: Parts[P], b: Parts[P]): boolean =>
  a === b ||
  JSON.stringify(sorted(toPartRecord(part, a))) === JSON.stringify(sorted(toPartRecord(part, b)));

function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([k, v]) => [k, sorted(v)]),
  );
}
