import { type PDFContext, PDFHexString, PDFName, type PDFRef, PDFString } from '@cantoo/pdf-lib';
import { type Annotation, annotationsOfMark, writePdfDate } from '../../annotations/index.ts';
import type { CopyFonts } from '../../copy/index.ts';
import { layersFrom } from '../../derived/index.ts';
import type { Thread } from '../../document/index.ts';
import type { Box } from '../../geometry/index.ts';
import type { Drawing } from '../../drawing/index.ts';
import { kindFor, type Mark } from '../../kinds/index.ts';
import type { Deflate } from '../sink/formWriter.ts';
import { registerAppearance } from '../sink/appearance.ts';
import type { Holdings } from '../sink/registerForm.ts';
import { colourEntry } from './colourEntry.ts';
import { round, sketchEntries } from './sketchEntries.ts';

/** Annotation flags (ISO 32000-1 §12.5.3). */
const HIDDEN = 2;
const PRINT = 4;
const LOCKED = 128;

/** What annotations are written with. */
export interface AnnotationWriter {
  readonly context: PDFContext;
  readonly fonts: CopyFonts;
  readonly held: Holdings;
  readonly deflate?: Deflate;
}

type Entries = Readonly<Record<string, unknown>>;

const text = (words: string): PDFHexString => PDFHexString.fromText(words);
const date = (ms: number): PDFString => PDFString.of(writePdfDate(ms));

/**
 * A mark as a standard annotation with an appearance as on the screen, on an open page, and what is said about it as annotations that answer it.
 */
export async function markAnnotations(
  writer: AnnotationWriter,
  page: PDFRef,
  mark: Mark,
  thread: Thread | null,
): Promise<PDFRef[]> {
  const { context, fonts, held, deflate } = writer;
  const [own, ...answers] = annotationsOfMark(mark, 0, thread);
  if (!own) return [];
  const drawing = await drawingBeside(mark, fonts);
  const { rect, sketch, colour, opacity, locked } = own;
  if (!rect || !sketch || colour === null) throw new RangeError('A mark is drawn somewhere.');
  const appearance = await registerAppearance(context, drawing, rect, held, deflate);
  const register = (entries: Entries): PDFRef =>
    context.register(context.obj(entries as Record<string, string>));
  const ref = register({
    ...common(own, page, rect),
    F: PRINT | (locked ? LOCKED : 0),
    // Of typed text it would be the ground that its letters stand on.
    ...(sketch.subtype === 'FreeText' ? {} : { C: colourEntry(colour) }),
    ...sketchEntries(sketch, colour, rect),
    CA: round(opacity),
    AP: { N: appearance },
  });
  const refs = answers.map((answer) =>
    register({
      ...common(answer, page, rect),
      F: PRINT | HIDDEN,
      IRT: ref,
      RT: PDFName.of('R'),
      // Plain strings: readers compare them letter by letter.
      ...(answer.state
        ? {
            State: PDFString.of(answer.state.says),
            StateModel: PDFString.of(answer.state.model),
          }
        : {}),
    }),
  );
  return [ref, ...refs];
}

/** What an annotation of a mark shows; what is said about a field, whose own annotation is there, shows nothing. */
async function drawingBeside(mark: Mark, fonts: CopyFonts): Promise<Drawing> {
  if (kindFor(mark).covers) return [];
  const { beneath, over } = layersFrom([kindFor(mark).inCopy?.(mark) ?? mark]);
  return fonts.set([...beneath, ...over]);
}

/** What every annotation says. */
function common(annotation: Annotation, page: PDFRef, { minX, minY, maxX, maxY }: Box): Entries {
  const { subtype, name, contents, author, madeAt, changedAt } = annotation;
  return {
    Type: 'Annot',
    Subtype: subtype,
    Rect: [minX, minY, maxX, maxY].map(round),
    P: page,
    NM: text(name),
    Contents: text(contents),
    ...(madeAt === null ? {} : { CreationDate: date(madeAt) }),
    ...(changedAt === null ? {} : { M: date(changedAt) }),
    ...(author ? { T: text(author) } : {}),
  };
}
