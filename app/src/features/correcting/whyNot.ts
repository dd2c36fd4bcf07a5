import type { Page } from '@marginalis/core/document';
import type { PrintedLine } from '@marginalis/core/editing';
import { BYTES_GONE, pageFile } from '@/session';
import { startWork } from '@/work';

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
  const file = await pageFile(shows);
  if (!file) return BYTES_GONE;
  const taken = [{ quad: line.quad, says: line.was }];
  const tried = await startWork('tryTakeOut', { ...file, taken }).result;
  if (!tried.ok) return 'message' in tried.failure ? tried.failure.message : '';
  const { trouble, gone } = tried.value;
  return trouble ? REFUSED[trouble] : gone === 0 ? PICTURE : null;
}
