import { type DocState, markChange } from '@marginalis/core/document';
import { asCorrection } from '@marginalis/core/kinds';
import type { DocumentSession } from '@/session';

/** The document as it is shown without its corrections; null while they are seen. */
let shown: DocState | null = null;

const correctionsIn = ({ pages, marks }: DocState) =>
  pages.flatMap(({ id }) =>
    [...(marks.get(id)?.values() ?? [])].flatMap((mark) => asCorrection(mark) ?? []),
  );

export const isCorrected = ({ store }: DocumentSession): boolean =>
  correctionsIn(store.getState().document).length > 0;

/** Whether the print is seen as it came. */
export const isAsItCame = ({ store }: DocumentSession): boolean =>
  shown !== null && store.getState().draft === shown;

/** Shows the print as it came, without doing anything to its corrections, until it is asked for again or the document changes. */
export function seeAsItCame(session: DocumentSession): void {
  const wasSeen = isAsItCame(session);
  session.inHand.preview(null);
  shown = null;
  if (wasSeen) return;
  const { document } = session.store.getState();
  session.inHand.preview(correctionsIn(document).map((mark) => markChange(mark, null)));
  shown = session.store.getState().draft;
}
