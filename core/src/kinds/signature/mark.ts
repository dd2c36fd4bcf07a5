import type { MarkBase } from '../../marks/index.ts';
import type { ComposedMark } from '../composed.ts';

/** A picture of a signature: ink, letters or a photograph, with the day beside it if wished. It signs nothing in the way that a certificate does. */
export interface SignatureMark extends ComposedMark {
  readonly kind: 'signature';
  /** Whose it is; empty where nobody has said so. */
  readonly of: string;
}

/** The mark where it is a signature; null where it is something else. */
export const asSignature = (mark: MarkBase | null): SignatureMark | null =>
  mark?.kind === 'signature' ? (mark as SignatureMark) : null;
