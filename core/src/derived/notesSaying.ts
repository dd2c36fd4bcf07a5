import type { Remark } from '../document/index.ts';
import { findInPrint, type FindOptions, type Quote, quoteOf } from '../print/index.ts';
import type { ListedNote } from './notes.ts';

/** A note that says a term. */
export interface NoteHit {
  readonly note: ListedNote;
  /** The first remark that says it, and what stands around it there. */
  readonly remark: Remark;
  readonly quote: Quote;
}

/** The notes that say a term in one of their remarks, found as it is in print. */
export function notesSaying(
  notes: readonly ListedNote[],
  term: string,
  how: FindOptions = {},
): NoteHit[] {
  return notes.flatMap((note) => {
    for (const remark of note.thread.remarks) {
      const text = { text: remark.text, breaks: [] };
      const [range] = findInPrint(text, term, how);
      if (range) return [{ note, remark, quote: quoteOf(text, range) }];
    }
    return [];
  });
}
