import { number, object, string } from 'yup';
import type { Vec } from '../../geometry/index.ts';
import type { PageId } from '../../marks/index.ts';
import { pointShape } from '../pageShape.ts';

/** A place of the document with a name, in a tree of its own. */
export interface Bookmark {
  readonly id: string;
  readonly title: string;
  readonly page: PageId;
  /** In user space; null for the page as a whole. */
  readonly at: Vec | null;
  /** The bookmark it stands under; null at the top. */
  readonly parent: string | null;
  /** Among its siblings. */
  readonly order: number;
  /** Milliseconds since 1970. */
  readonly madeAt: number;
}

export const bookmarkShape = object({
  id: string().strict().required().max(100),
  title: string().strict().defined().max(500),
  page: string().strict().required().max(100),
  at: pointShape.nullable().defined(),
  parent: string().strict().nullable().defined().max(100),
  order: number().strict().required(),
  madeAt: number().strict().required(),
});
