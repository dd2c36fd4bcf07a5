import { listNotes } from '@marginalis/core/derived';
import type { DocState } from '@marginalis/core/document';
import {
  boxCentre,
  boxOfPoints,
  displayMatrix,
  invertMatrix,
  transform,
} from '@marginalis/core/geometry';
import { asNote } from '@marginalis/core/kinds';
import type { CopyNote } from '@marginalis/core/pdf';

const timeOf = (time: number): string =>
  new Date(time).toLocaleString(undefined, {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  });
const said = (...parts: readonly string[]): string => parts.filter(Boolean).join(' · ');

/** The notes of a document as a copy tells them; `nameOf` says what a page, from 0, is called. */
export function notesFor(document: DocState, nameOf: (page: number) => string): CopyNote[] {
  return listNotes(document).map(({ thread, number, about }): CopyNote => {
    const { settled } = thread;
    return {
      number,
      place: about && placeOf(document, about),
      about: about
        ? said(`Page ${nameOf(about.page)}`, about.words.text && `“${about.words.text}”`)
        : 'What it was about is gone from the page.',
      remarks: thread.remarks.map(({ author, madeAt, editedAt, text }) => ({
        by: said(author, timeOf(madeAt), editedAt === null ? '' : 'changed'),
        text,
      })),
      settled: settled
        ? [`Settled`, settled.by && `by ${settled.by}`, timeOf(settled.at)]
            .filter(Boolean)
            .join(' ')
        : '',
    };
  });
}

/** Of words the middle of their first line's beginning, of other marks the height of their head. */
function placeOf(
  { pages }: DocState,
  { mark, page, box, at }: NonNullable<ReturnType<typeof listNotes>[number]['about']>,
): CopyNote['place'] {
  const note = asNote(mark);
  if (note && note.quads.length === 0) return { page, at: note.at, inMargin: false };
  if (note) {
    const [first] = note.quads;
    return { page, at: { x: first[0].x, y: boxCentre(boxOfPoints(first)).y }, inMargin: true };
  }
  const back = invertMatrix(displayMatrix(pages[page]));
  return { page, at: transform(back, { x: at.x, y: box.minY }), inMargin: true };
}
