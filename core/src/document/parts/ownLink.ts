import { array, boolean, lazy, mixed, object, string } from 'yup';
import type { Box, Vec } from '../../geometry/index.ts';
import type { MarkId, PageId } from '../../marks/index.ts';
import { boxShape, pointShape } from '../pageShape.ts';

/** Where a link leads: a place of this document, a bookmark, what is noted about a mark, or an address. */
export type LinkTarget =
  | { readonly page: PageId; readonly at: Vec | null }
  | { readonly bookmark: string }
  | { readonly thread: string }
  | { readonly address: string };

/** A link of the person's own over an area of a page; or what a link of the file has become. */
export interface OwnLink {
  readonly id: string;
  readonly page: PageId;
  /** In user space. */
  readonly area: Box;
  /** The areas within it that are pressed, where it lies over words of several lines. */
  readonly parts?: readonly Box[];
  /** The mark it lies over, and goes with. */
  readonly mark?: MarkId;
  /** The area of the link of the file that it stands for. */
  readonly instead?: Box;
  /** Null takes a link of the file away. */
  readonly to: LinkTarget | null;
  readonly framed: boolean;
}

/** Longer addresses are refused, characters. */
export const LONGEST_ADDRESS = 4000;
/** More lines of words are no one link. */
const MOST_PARTS = 500;

const id = string().strict().required().max(100);
/** Nothing else is ever opened from a document. */
const address = string()
  .strict()
  .required()
  .max(LONGEST_ADDRESS)
  .matches(/^(https?:\/\/|mailto:)/i);
const targets = {
  page: object({ page: id, at: pointShape.nullable().defined() }).noUnknown(),
  bookmark: object({ bookmark: id }).noUnknown(),
  thread: object({ thread: id }).noUnknown(),
  address: object({ address }).noUnknown(),
};

const targetShape = lazy((value: object | null | undefined) => {
  if (value === null) return mixed().nullable().defined();
  const names = ['page', 'bookmark', 'thread', 'address'] as const;
  const [name] = names.filter((k) => value && k in value);
  return name ? targets[name].required() : mixed().required().oneOf([], 'a link leads nowhere');
});

export const ownLinkShape = object({
  id,
  page: id,
  area: boxShape.required(),
  parts: array(boxShape.required()).strict().max(MOST_PARTS).default(undefined),
  mark: string().strict().max(100),
  instead: boxShape.default(undefined),
  to: targetShape,
  framed: boolean().strict().required(),
}).test(
  'leads-or-stands-for',
  'a link of one’s own leads somewhere',
  ({ to, instead }) => to !== null || instead !== undefined,
);
