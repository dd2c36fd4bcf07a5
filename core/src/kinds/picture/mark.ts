import type { Matrix } from '../../geometry/index.ts';
import type { MarkBase } from '../../marks/index.ts';

/** A photograph, a drawing or any other picture, put on a page. */
export interface PictureMark extends MarkBase {
  readonly kind: 'picture';
  /** The attachment that is its picture: the SHA-256 of its bytes, so that it is kept once however often it is used. */
  readonly source: string;
  /** Carries the unit square (0,0)–(1,1), y up, to where the picture lies in user space. */
  readonly place: Matrix;
  /** What is to be seen on it, for those who do not see it; empty where nobody has said so. */
  readonly says: string;
}

/** The mark where it is a picture; null where it is something else. */
export const asPicture = (mark: MarkBase | null): PictureMark | null =>
  mark?.kind === 'picture' ? (mark as PictureMark) : null;
