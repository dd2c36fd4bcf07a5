import { array, number, object, ValidationError } from 'yup';
import { type Attachment, fromPartRecord, PartRecordError } from '../document/index.ts';
import { MarkRecordError } from '../marks/index.ts';
import { type DrawerItem, fromItemRecord, toItemRecord } from './item.ts';

/** Thrown when a file is no drawer; the message is a sentence for the person. */
export class DrawerFileError extends Error {
  override readonly name = 'DrawerFileError';
}

const FORMAT = 1;
/** Things that are read from one file. */
const MOST = 10_000;
/** Characters of a file that are read. */
export const LARGEST_DRAWER = 400_000_000;

const shape = object({
  'marginalis-drawer': number().strict().integer().min(1).required(),
  items: array().required().max(MOST),
  attachments: array().required().max(MOST),
});

/** Things of the drawer as one file, with everything they show. */
export const writeDrawer = (
  items: readonly DrawerItem[],
  attachments: readonly Attachment[],
): string =>
  JSON.stringify({ 'marginalis-drawer': FORMAT, items: items.map(toItemRecord), attachments });

/** What a file of a drawer holds, and how many of its things cannot be read. */
export interface ReadDrawer {
  readonly items: readonly DrawerItem[];
  readonly attachments: readonly Attachment[];
  readonly left: number;
}

/** @throws DrawerFileError */
export function readDrawer(text: string): ReadDrawer {
  const file = parsed(text);
  if (file['marginalis-drawer'] > FORMAT)
    throw new DrawerFileError('This drawer was written by a newer version of Marginalis.');
  const attachments = read(file.attachments, (one) => fromPartRecord('attachment', one));
  const there = new Set(attachments.map(({ id }) => id));
  const items = read(file.items, fromItemRecord).filter((item) =>
    item.attachments.every((id) => there.has(id)),
  );
  return { items, attachments, left: file.items.length - items.length };
}

function parsed(text: string) {
  try {
    return shape.validateSync(JSON.parse(text), { strict: true });
  } catch (e) {
    if (e instanceof SyntaxError || e instanceof ValidationError)
      throw new DrawerFileError('This file is no drawer that was saved here, or it is damaged.');
    throw e;
  }
}

/** Those that can be read. */
function read<T>(records: readonly unknown[], of: (record: unknown) => T): T[] {
  return records.flatMap((record) => {
    try {
      return [of(record)];
    } catch (e) {
      if (
        e instanceof ValidationError ||
        e instanceof MarkRecordError ||
        e instanceof PartRecordError
      )
        return [];
      throw e;
    }
  });
}
