import type { Settings } from '@/storage';
import type { Part } from './useAsked';

/** What a copy is made of, as what, and where the notes on pages of a fixed one stand. */
export interface CopyOfPart {
  readonly part: Pick<Part, 'document' | 'names'>;
  readonly notes: Settings['sending']['notes'];
  readonly as: 'fixed' | 'living';
}
