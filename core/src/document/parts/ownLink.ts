import { boolean, lazy, mixed, object, string } from 'yup';
import type { Box, Vec } from '../../geometry/index.ts';
import type { PageId } from '../../marks/index.ts';
import { boxShape, pointShape } from '../pageShape.ts';

/** Where a link leads: a place of this document, a bookmark, or an address. */
export type LinkTarget =
  | { readonly page: PageId; readonly at: Vec | null }
  | { readonly bookmark: string }
  | { readonly address: string };

/** A link of the person's own over an area of a page. */
export interface OwnLink {
  readonly id: string;
  readonly page: PageId;
  /** In user space. */
  readonly area: Box;
  readonly to: LinkTarget;
  readonly framed: boolean;
}

const id = string().strict().required().max(100);
/** Nothing else is ever opened from a document. */
const address = string()
  .strict()
  .required()
  .max(4000)
  .matches(/^(https?:\/\/|mailto:)/i);
const targets = {
  page: object({ page: id, at: pointShape.nullable().defined() }).noUnknown(),
  bookmark: object({ bookmark: id }).noUnknown(),
  address: object({ address }).noUnknown(),
};

const targetShape = lazy((value: object | undefined) => {
  const [name] = (['page', 'bookmark', 'address'] as const).filter((k) => value && k in value);
  return name ? targets[name].required() : mixed().required().oneOf([], 'a link leads nowhere');
});

export const ownLinkShape = object({
  id,
  page: id,
  area: boxShape.required(),
  to: targetShape,
  framed: boolean().strict().required(),
});
