import { array, boolean, number, object, string } from 'yup';
import { pageBoxShape } from '../document/index.ts';
import type { PageBox } from '../geometry/index.ts';
import { fromMarkRecord, type Mark, toMarkRecord } from '../kinds/index.ts';
import { colourShape } from '../marks/index.ts';
import { STAMP_FORMS, type StampDesign } from '../stamps/index.ts';

/** What a thing of the drawer is when it is taken out: its marks, one stamp made of them, a signature, or the look of its first mark, a text box. */
export const DRAWER_SORTS = ['marks', 'stamp', 'signature', 'look'] as const;
export type DrawerSort = (typeof DRAWER_SORTS)[number];

/** Something that is used again. */
export interface DrawerItem {
  readonly id: string;
  readonly name: string;
  /** Empty for what lies in none. */
  readonly folder: string;
  readonly sort: DrawerSort;
  /** How the page lay that its marks were on. */
  readonly page: PageBox;
  readonly marks: readonly Mark[];
  /** What a stamp is made by, anew each time it is put on a page, so that its outline fits what is filled in; its marks show it once then. */
  readonly design?: StampDesign;
  /** What its marks show, by the ids of attachments. */
  readonly attachments: readonly string[];
  /** A small picture of it as a data URL; empty where there is none. */
  readonly preview: string;
  /** The day is put beside a signature. */
  readonly dated: boolean;
  /** By hand: those of less order come first. */
  readonly order: number;
  readonly uses: number;
  /** Milliseconds since 1970. */
  readonly usedAt: number;
  readonly madeAt: number;
}

/** Letters of a name, and of a folder's. */
export const LONGEST_ITEM_NAME = 100;
/** Letters of what a stamp of one’s own says. */
export const LONGEST_STAMP = 200;
/** Marks that one thing may have. */
const MOST_MARKS = 5000;
const LONGEST_PREVIEW = 300_000;

const design = object({
  id: string().strict().required().max(100),
  says: string().strict().required().max(LONGEST_STAMP),
  form: string().strict().oneOf(STAMP_FORMS).required(),
  colour: colourShape,
  size: number().strict().required().min(4).max(200),
});

const count = number().strict().min(0).required();
const shape = object({
  id: string().strict().required().max(100),
  name: string().strict().defined().max(LONGEST_ITEM_NAME),
  folder: string().strict().defined().max(LONGEST_ITEM_NAME),
  sort: string().strict().oneOf(DRAWER_SORTS).required(),
  page: pageBoxShape.required(),
  marks: array(object().required()).strict().required().min(1).max(MOST_MARKS),
  design: design.default(undefined),
  attachments: array(string().strict().required().max(100)).strict().required().max(MOST_MARKS),
  preview: string()
    .strict()
    .defined()
    .max(LONGEST_PREVIEW)
    .matches(/^(data:image\/png;base64,[A-Za-z0-9+/=]+)?$/),
  dated: boolean().strict().required(),
  order: number().strict().required(),
  uses: count,
  usedAt: count,
  madeAt: count,
});

/** Plain JSON, which {@link fromItemRecord} of this and every later release reads. */
export const toItemRecord = (item: DrawerItem): object => ({
  ...item,
  marks: item.marks.map(toMarkRecord),
});

/** @throws ValidationError, MarkRecordError */
export function fromItemRecord(record: unknown): DrawerItem {
  const { marks, ...item } = shape.validateSync(record, { strict: true });
  return { ...item, marks: (marks as object[]).map(fromMarkRecord) } as DrawerItem;
}
