import type { PageMarks } from '../document/index.ts';
import { kindFor } from '../kinds/index.ts';
import type { Quad } from '../print/index.ts';

/** Where everything is to be gone from a page by its marks: where bars lie. */
export const redactedOn = (marks: PageMarks): Quad[] =>
  [...marks.values()].flatMap((mark) => kindFor(mark).redacts?.(mark) ?? []);
