import type { Page } from '@marginalis/core/document';
import { type NewRedaction, redact } from '@marginalis/core/editing';
import { EMPTY_PRINT, type Quad, textBeneath } from '@marginalis/core/print';
import { type DocumentSession, pageFile, useSettings } from '@/session';
import { startWork } from '@/work';

/** What is to lie beneath bars on a page: pieces, each with the bars over its lines. */
export interface BarsOn {
  readonly page: Page;
  readonly pieces: readonly (readonly Quad[])[];
}

/**
 * Lays bars over pages, in one step, where what lies beneath can be taken out.
 * @returns why it cannot be, in words, of the first page of which it is so: nothing is laid then; null where all were
 */
export async function layBars(
  session: DocumentSession,
  all: readonly BarsOn[],
): Promise<string | null> {
  const { author } = useSettings.getState();
  const asked: NewRedaction[] = [];
  for (const { page, pieces } of all) {
    const trouble = await whyNot(page, pieces.flat());
    if (trouble !== null) return trouble;
    const print = 'paper' in page.shows ? EMPTY_PRINT : await session.print.of(page);
    for (const quads of pieces)
      asked.push({
        ...{ id: crypto.randomUUID(), page: page.id, quads, says: textBeneath(print, quads) },
        ...{ madeAt: Date.now(), author },
      });
  }
  if (asked.length > 0) session.dispatch(redact(session.store.getState().document, asked));
  return null;
}

async function whyNot({ shows }: Page, quads: readonly Quad[]): Promise<string | null> {
  const file = 'paper' in shows ? null : await pageFile(shows);
  // Without its bytes no copy is made either, which is said there.
  if (!file) return null;
  const tried = await startWork('tryRedact', { ...file, quads }).result;
  if (tried.ok) return tried.value;
  return 'message' in tried.failure ? tried.failure.message : '';
}
