import { marksBeneath } from '../derived/index.ts';
import type { DocState } from '../document/index.ts';

/** Without the notes about what lies beneath bars, whose words they say; the same document where there are none. */
export function withoutNotesBeneath(document: DocState): DocState {
  const hidden = new Set(
    [...document.marks.values()].flatMap((on) => [...marksBeneath(on).keys()]),
  );
  if (hidden.size === 0) return document;
  const threads = new Map([...document.threads].filter(([, { mark }]) => !hidden.has(mark)));
  return threads.size === document.threads.size ? document : { ...document, threads };
}
