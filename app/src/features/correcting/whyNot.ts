import type { Page } from '@marginalis/core/document';
import type { PrintedLine } from '@marginalis/core/editing';
import { passwordFor } from '@/session';
import { readSource } from '@/storage';
import { startWork } from '@/work';

export const GONE = 'The bytes of this document are no longer in storage. Open the file again.';
const REFUSED = {
  type3: 'The letters of this line are drawings: they cannot be corrected.',
  upright: 'Lines that run downwards cannot be corrected.',
  encoding: 'The letters of this line cannot be told apart: it cannot be corrected.',
  forms: 'This page is made of too many pieces: it cannot be corrected.',
  widths: 'The letters of this line cannot be told apart: it cannot be corrected.',
} as const;
const PICTURE = 'What is printed here is a picture of words: it cannot be corrected.';

/** Why a line of print cannot be corrected, in words; null where it can, empty where nobody waits any more. */
export async function whyNot({ shows }: Page, line: PrintedLine): Promise<string | null> {
  if ('paper' in shows) return PICTURE;
  const bytes = await readSource(shows.source);
  if (!bytes) return GONE;
  const password = passwordFor(shows.source);
  const locked = password === undefined ? {} : { password };
  const taken = [{ quad: line.quad, says: line.was }];
  const tried = await startWork('tryTakeOut', { bytes, page: shows.index, taken, ...locked })
    .result;
  if (!tried.ok) return 'message' in tried.failure ? tried.failure.message : '';
  const { trouble, gone } = tried.value;
  return trouble ? REFUSED[trouble] : gone === 0 ? PICTURE : null;
}
