import { displayMatrix, transformBox, type Vec } from '@marginalis/core/geometry';
import { columnAt } from '@marginalis/core/print';
import type { Reader } from '@/shell';

/** A column that is seen so large already fills the width, as a share of it. */
const FILLS = 0.92;

/** Has the column at a place of a page (from 0, in user space) fill the window's width; where it does so already, the page does. */
export async function fillWithColumn(
  { session, stage }: Reader,
  index: number,
  at: Vec,
): Promise<void> {
  const page = stage.pages[index];
  try {
    const column = columnAt(await session.print.of(page), at);
    if (!column) return stage.setFit('width');
    const { minX, maxX } = transformBox(displayMatrix(page), column);
    const { width } = stage.getView();
    if ((maxX - minX) * stage.getCamera().zoom > FILLS * width) stage.setFit('width');
    else stage.fillWidth(index, column, at);
  } catch (e) {
    session.notices.tell(e instanceof Error ? e.message : String(e));
  }
}
