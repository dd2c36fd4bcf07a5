import { type PDFContext, PDFHexString, PDFName, type PDFRef, PDFString } from '@cantoo/pdf-lib';
import type { CopyFonts } from '../../copy/index.ts';
import { boundsOf, drawingOf, layersFrom, plainRemark } from '../../derived/index.ts';
import type { Thread } from '../../document/index.ts';
import { drawingBounds } from '../../drawing/index.ts';
import { type Box, growBox, uniteBoxes } from '../../geometry/index.ts';
import { kindFor, type Mark } from '../../kinds/index.ts';
import type { Deflate } from '../sink/formWriter.ts';
import { registerAppearance } from '../sink/appearance.ts';
import type { Holdings } from '../sink/registerForm.ts';
import { colourEntry } from './colourEntry.ts';
import { round, sketchEntries } from './sketchEntries.ts';

/** Printed, and seen (§12.5.3). */
const PRINT = 4;
const HIDDEN = 2;
const LOCKED = 128;
/** Around what is drawn, so that no edge is cut, points. */
const ROOM = 1;

/** What annotations are written with. */
export interface AnnotationWriter {
  readonly context: PDFContext;
  readonly fonts: CopyFonts;
  readonly held: Holdings;
  readonly deflate?: Deflate;
}

const text = (words: string): PDFHexString => PDFHexString.fromText(words);
const date = (ms: number): PDFString => PDFString.fromDate(new Date(ms));

/**
 * A mark as a standard annotation with an appearance as on the screen, on an open page, and what is said about it: its
 * first remark in the annotation, answers and that it is settled as annotations of their own.
 */
export async function markAnnotations(
  writer: AnnotationWriter,
  page: PDFRef,
  mark: Mark,
  thread: Thread | null,
): Promise<PDFRef[]> {
  const { context } = writer;
  const kind = kindFor(mark);
  const sketch = kind.annotation(mark);
  const { beneath, over } = layersFrom([mark]);
  const drawing = await writer.fonts.set([...beneath, ...over]);
  const drawn = uniteBoxes(boundsOf(mark), drawingBounds(drawingOf(mark)));
  const rect = growBox(drawn, ROOM);
  const { colour, opacity } = mark.style;
  const [first] = thread?.remarks ?? [];
  const appearance = await registerAppearance(context, drawing, rect, writer.held, writer.deflate);
  const author = first?.author || mark.author || '';
  const own = context.register(
    context.obj({
      Type: 'Annot',
      Subtype: sketch.subtype,
      ...(sketchEntries(sketch, colour, rect) as Record<string, string>),
      Rect: boxEntry(rect),
      P: page,
      F: PRINT | (mark.locked ? LOCKED : 0),
      NM: text(mark.id),
      // Of typed text it would be the ground that its letters stand on.
      ...(sketch.subtype === 'FreeText' ? {} : { C: colourEntry(colour) }),
      CA: round(opacity),
      Contents: text(contentsOf(mark, sketch.subtype, first && plainRemark(first.text))),
      CreationDate: date(mark.madeAt),
      M: date(first?.editedAt ?? first?.madeAt ?? mark.madeAt),
      ...(author ? { T: text(author) } : {}),
      AP: { N: appearance },
    }),
  );
  return [own, ...answersTo(context, page, own, rect, thread)];
}

function contentsOf(mark: Mark, subtype: string, said: string | undefined): string {
  if (subtype === 'FreeText') return kindFor(mark).words(mark).text;
  return said ?? '';
}

/** Remarks after the first, and that the thread is settled, as other programs know them (§12.5.6.2, §12.5.6.3). */
function answersTo(
  context: PDFContext,
  page: PDFRef,
  to: PDFRef,
  rect: Box,
  thread: Thread | null,
): PDFRef[] {
  if (!thread) return [];
  const { remarks, settled } = thread;
  const answer = (entries: Record<string, unknown>): PDFRef =>
    context.register(
      context.obj({
        Type: 'Annot',
        Subtype: 'Text',
        Rect: boxEntry(rect),
        P: page,
        IRT: to,
        RT: PDFName.of('R'),
        F: PRINT | HIDDEN,
        ...(entries as Record<string, string>),
      }),
    );
  const answers = remarks.slice(1).map(({ id, author, text: said, madeAt, editedAt }) =>
    answer({
      NM: text(id),
      Contents: text(plainRemark(said)),
      CreationDate: date(madeAt),
      M: date(editedAt ?? madeAt),
      ...(author ? { T: text(author) } : {}),
    }),
  );
  if (!settled) return answers;
  const state = answer({
    NM: text(`${thread.id} settled`),
    Contents: text('Settled'),
    // Plain strings: readers compare them letter by letter.
    State: PDFString.of('Completed'),
    StateModel: PDFString.of('Review'),
    CreationDate: date(settled.at),
    M: date(settled.at),
    ...(settled.by ? { T: text(settled.by) } : {}),
  });
  return [...answers, state];
}

const boxEntry = ({ minX, minY, maxX, maxY }: Box): number[] => [minX, minY, maxX, maxY].map(round);
