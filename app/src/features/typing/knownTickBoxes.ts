import type { Page } from '@marginalis/core/document';
import type { Box } from '@marginalis/core/geometry';
import { type Print, tickBoxes } from '@marginalis/core/print';
import type { Reader } from '@/shell';

/** Kept as long as the print, for the page as it is seen. */
const kept = new WeakMap<Print, { readonly page: Page; readonly boxes: readonly Box[] }>();

/** The squares to be ticked of a page (from 0), as it is seen; none before it has been read. */
export function knownTickBoxes({ session, stage }: Reader, index: number): readonly Box[] {
  const own = session.store.getState().document.pages[index];
  const page = stage.pages[index];
  if (!own || !page) return [];
  const print = session.print.known(own);
  const shapes = session.print.knownShapes(own);
  if (!print || !shapes) return [];
  const known = kept.get(print);
  if (known?.page === page) return known.boxes;
  const boxes = tickBoxes(shapes, print, page);
  kept.set(print, { page, boxes });
  return boxes;
}
