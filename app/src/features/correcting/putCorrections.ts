import { besideLine, correctLines, type NewCorrection } from '@marginalis/core/editing';
import type { DocumentSession } from '@/session';
import type { AskedLine } from './asked';
import type { SameLine } from './useSameLines';
import { whyNot } from './whyNot';

/** Puts a correction on the line that was asked about, and on others that say the same, in one step; says where it could not be, and at how many places it is. */
export async function putCorrections(
  session: DocumentSession,
  { page, line, baseline }: AskedLine,
  correction: Omit<NewCorrection, 'id' | 'page' | 'line' | 'baseline' | 'madeAt'>,
  others: readonly SameLine[],
  nameOf: (index: number) => string,
): Promise<void> {
  try {
    const refused = new Set<number>();
    const fit = [{ page, line }];
    for (const one of others) {
      const trouble = await whyNot(one.page, one.line);
      if (trouble === null) fit.push({ page: one.page.id, line: one.line });
      else refused.add(one.index);
    }
    const asked = fit.map((one): NewCorrection => ({
      ...correction,
      ...{ id: crypto.randomUUID(), page: one.page, line: one.line, madeAt: Date.now() },
      baseline: besideLine(baseline, line, one.line),
    }));
    const step = correctLines(session.store.getState().document, asked);
    if (step) session.dispatch(step);
    const { notices } = session;
    if (refused.size > 0)
      notices.tell(
        `On these pages the line cannot be corrected: ${[...refused].map(nameOf).join(', ')}.`,
      );
    else if (step && others.length > 0)
      notices.offerUndo({ text: `Corrected at ${fit.length} places.`, undo: session.undo });
  } catch (e) {
    session.notices.tell(e instanceof Error ? e.message : String(e));
  }
}
