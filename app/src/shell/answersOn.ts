import type { Page } from '@marginalis/core/document';
import { type AnswerLine, answerLines, type Print } from '@marginalis/core/print';
import { printedRulesOn } from '@/stage';
import type { Reader } from './feature';

/** Kept as long as the print, for the page as it is seen. */
const kept = new WeakMap<Print, { readonly page: Page; readonly lines: readonly AnswerLine[] }>();

/** The lines for answers of a page (from 0), where it has been read already; those of a scan as far as it is seen. */
export function knownAnswers(
  { session, stage }: Reader,
  index: number,
): readonly AnswerLine[] | null {
  const own = session.store.getState().document.pages[index];
  const page = stage.pages[index];
  if (!own || !page) return null;
  const print = session.print.known(own);
  const shapes = session.print.knownShapes(own);
  if (!print || !shapes) return null;
  if (print.words.length === 0 && shapes.rules.length === 0)
    return printedRulesOn(stage, index).map((rule, k, all) => ({
      ...rule,
      room: k > 0 ? rule.y - all[k - 1].y : rule.y,
    }));
  const known = kept.get(print);
  if (known?.page === page) return known.lines;
  const lines = answerLines(shapes, print, page);
  kept.set(print, { page, lines });
  return lines;
}

/** The same, read where it has to be; none where the page cannot be read. */
export async function answersOn(reader: Reader, index: number): Promise<readonly AnswerLine[]> {
  const { session } = reader;
  const page = session.store.getState().document.pages[index];
  if (!page) return [];
  try {
    await Promise.all([session.print.of(page), session.print.shapes(page)]);
  } catch (e) {
    console.warn('A page’s lines for answers could not be read.', e);
    return [];
  }
  return knownAnswers(reader, index) ?? [];
}
