import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { textFiles } from '../cli/faces';
import { pictureTools } from '../cli/smaller';
import { overPrint } from '../core/src/annotations';
import { boundsOf } from '../core/src/derived';
import { documentOfParts, type DocState, pagesOfSource } from '../core/src/document';
import { type Box, boxOfPoints, growBox } from '../core/src/geometry';
import { asText, asWords, kindFor, type Mark, textOfStrips } from '../core/src/kinds';
import { inspectPdf, makeFixedCopy, readAnnotations, takeUpAnnotations } from '../core/src/pdf';
import { textOfSpans } from '../core/src/type';
import { annotatedPdf, shorePdf } from '../core/testing/annotatedPdf';
import { deflate } from './support/markedCopy';
import { changeBetween, differingShare, marksApart, type Picture } from './support/pictures';
import { printOf } from './support/printBy';
import { complaintOfQpdf, withFile } from './support/programs';
import { READERS } from './support/readers';
import { signaturesOf, signedPdf } from './support/signedPdf';

/**
 * What four libraries of other makers write as annotations is read as marks, with kind, place, colour, author, date and text: MuPDF by a script of its own,
 * pypdf (Debian's), PDFKit, and the editors of pdf.js.
 */

jest.setTimeout(300_000);

const WRITERS = {
  MuPDF: ['mutool', 'run', 'references/support/annotate/withMupdf.js'],
  pypdf: ['/usr/bin/python3', 'references/support/annotate/withPypdf.py'],
  PDFKit: ['node', 'references/support/annotate/withPdfkit.cjs'],
  'pdf.js': ['node', 'references/support/annotate/withPdfjs.mjs'],
} as const;
type Writer = keyof typeof WRITERS;

async function writtenBy(writer: Writer): Promise<Uint8Array> {
  const [program, ...args] = WRITERS[writer];
  return withFile(await shorePdf(), (path) => {
    const to = `${path}.annotated.pdf`;
    const { status, stderr } = spawnSync(program, [...args, path, to], { encoding: 'utf8' });
    if (status !== 0) throw new Error(stderr);
    return new Uint8Array(readFileSync(to));
  });
}

/** What each was asked to write: kind, colour, where its shape lies (points), and what it says. */
interface Asked {
  readonly name: string;
  readonly colour: string;
  readonly lies: readonly [number, number, number, number];
  readonly says?: string;
  readonly note?: string;
}
const HIGHLIGHT = {
  name: 'highlight',
  colour: '#ffcc00',
  lies: [72, 696, 172, 712],
  says: 'Barnacles settle',
} as const;
const SQUARE = { name: 'rectangle', colour: '#0000ff', lies: [300, 540, 420, 620] } as const;
const CIRCLE = { name: 'ellipse', colour: '#0000ff', lies: [440, 540, 540, 600] } as const;
const LINE = { name: 'line', colour: '#000000', lies: [100, 470, 240, 500] } as const;
const POLYGON = { name: 'polygon', colour: '#008000', lies: [300, 460, 420, 520] } as const;
const TEXT = {
  name: 'text',
  colour: '#800000',
  lies: [72, 380, 260, 430],
  says: 'Compare with the limpets.',
} as const;
const NOTE = {
  name: 'note',
  colour: '#ff0000',
  lies: [500, 720, 500, 720],
  note: 'A picture is wanted.',
} as const;
const ASKED: Readonly<Record<Writer, readonly Asked[]>> = {
  MuPDF: [
    { ...HIGHLIGHT, note: 'Why here?' },
    { name: 'ink', colour: '#ff0000', lies: [100, 560, 180, 600] },
    { name: 'ink', colour: '#ff0000', lies: [200, 560, 240, 600] },
    SQUARE,
    CIRCLE,
    { ...LINE, name: 'arrow' },
    POLYGON,
    TEXT,
    NOTE,
  ],
  pypdf: [SQUARE, CIRCLE, { ...LINE, note: 'Why here?' }, POLYGON, TEXT, NOTE],
  PDFKit: [
    HIGHLIGHT,
    { name: 'underline', colour: '#ff0000', lies: [72, 676, 152, 692], says: 'Their larvae f' },
    { name: 'strike', colour: '#ff0000', lies: [160, 676, 220, 692], says: 'el the roc' },
    SQUARE,
    CIRCLE,
    LINE,
    { ...TEXT, colour: '#000000' },
    NOTE,
  ],
  'pdf.js': [HIGHLIGHT, { name: 'ink', colour: '#ff0000', lies: [100, 560, 180, 582.5] }, TEXT],
};
/** Widths of borders, arrowheads, dots of notes: what a mark draws beyond the shape that was asked for, points. */
const BEYOND = 8;

function nameOf(mark: Mark): string {
  if (mark.kind === 'words') return mark.manner;
  return mark.kind === 'figure' ? mark.figure.kind : mark.kind;
}

function saidBy(mark: Mark): string | undefined {
  const words = asWords(mark);
  const text = asText(mark);
  return words ? textOfStrips(words.strips) : text ? textOfSpans(text.block.spans) : undefined;
}

/** Of marks on words their strips: a line beneath them lies elsewhere. */
function placeOf(mark: Mark): Box {
  const words = asWords(mark);
  return words ? boxOfPoints(words.strips.flatMap(({ quad }) => [...quad])) : boundsOf(mark);
}

function expectBetween(inner: readonly number[], bounds: Box): void {
  const [minX, minY, maxX, maxY] = inner;
  const outer = growBox({ minX, minY, maxX, maxY }, BEYOND);
  const found = [bounds.minX, bounds.minY, bounds.maxX, bounds.maxY];
  const [a, b] = [
    [outer.minX, outer.minY, maxX - BEYOND, maxY - BEYOND],
    [minX + BEYOND, minY + BEYOND, outer.maxX, outer.maxY],
  ];
  expect(found.map((n, k) => n >= a[k] && n <= b[k])).toEqual([true, true, true, true]);
}

test.each(Object.keys(WRITERS) as Writer[])(
  'what %s writes is read with kind, place, colour, author, date and text',
  async (writer) => {
    const bytes = await writtenBy(writer);
    const read = await readAnnotations(bytes);
    const [print] = await printOf(bytes);
    const { marks, threads } = overPrint(read, () => print);
    const asked = ASKED[writer];
    expect(marks.map(nameOf)).toEqual(asked.map(({ name }) => name));
    marks.forEach((mark, k) => {
      const { colour, lies, says, note } = asked[k];
      expect([writer, k, mark.style.colour]).toEqual([writer, k, colour]);
      expectBetween(lies, placeOf(mark));
      expect(saidBy(mark)).toBe(says);
      // pdf.js does not say who, and PDFKit's and pypdf's dates are whole seconds.
      if (writer === 'pdf.js') expect(Math.abs(mark.madeAt - Date.now())).toBeLessThan(3_600_000);
      else {
        expect(mark.author).toBe('Ada Rowan');
        expect(mark.madeAt).toBe(1_790_000_000_000);
      }
      const thread = threads.find((one) => one.mark === mark.id);
      expect(thread?.remarks.map(({ text }) => text)).toEqual(note ? [note] : undefined);
    });
    expect(read.left).toEqual([]);
    const { source } = await takeUpAnnotations(bytes);
    expect(complaintOfQpdf(source)).toBeNull();
    expect((await inspectPdf(source)).written).toBeNull();
  },
);

const DPI = 144;

async function drawn(bytes: Uint8Array): Promise<Picture> {
  const pictures = await withFile(bytes, (path) => READERS.PDFium(path, [1], DPI));
  const picture = pictures.get(1);
  if (!picture) throw new Error('The page was not drawn.');
  return picture;
}

/** The document that a marked file becomes. */
async function takenUp(bytes: Uint8Array): Promise<{ source: Uint8Array; document: DocState }> {
  const taken = await takeUpAnnotations(bytes, { tools: pictureTools });
  const { source, marks, threads, attachments } = taken;
  const pages = pagesOfSource('a'.repeat(64), (await inspectPdf(source)).pages, String);
  const document = documentOfParts(pages, [
    ...pages.map((value) => ({ part: 'page', value }) as const),
    ...marks.map((value) => ({ part: 'mark', value }) as const),
    ...threads.map((value) => ({ part: 'thread', value }) as const),
    ...attachments.map((value) => ({ part: 'attachment', value }) as const),
  ]);
  return { source, document };
}

test('ink of others looks as it did: stroked, filled, of several strokes', async () => {
  const blank = await drawn(await shorePdf());
  for (const bytes of [await annotatedPdf('Ink'), await writtenBy('MuPDF')]) {
    const { source, document } = await takenUp(bytes);
    const inkAlone = {
      ...document,
      marks: new Map(
        [...document.marks].map(([page, marks]) => [
          page,
          new Map([...marks].filter(([, { kind }]) => kind === 'ink')),
        ]),
      ),
    };
    const copy = await makeFixedCopy(source, inkAlone, { deflate, ...textFiles });

    const before = await drawn(bytes);
    const after = await drawn(copy.bytes);
    // Where only ink stands: what else was written is not there.
    const [a, b] = [before, after].map((picture) => bandOf(changeBetween(blank, picture)));
    expect(marksApart(a, b)).toBeLessThan(0.02);
  }
});

/** The left of the page between 540 and 640 points, and below 320: the places of ink. */
function bandOf(picture: Picture): Picture {
  const { width, height, data } = picture;
  const out = data.slice();
  const [scale] = [DPI / 72];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const [u, v] = [x / scale, 842 - y / scale];
      const isInk = u < 260 && ((v > 540 && v < 640) || v < 320);
      if (!isInk) out.fill(0, 4 * (y * width + x), 4 * (y * width + x + 1));
    }
  return { width, height, data: out };
}

test('stamps become pictures that look as they did, on whatever lies beneath', async () => {
  const bytes = await annotatedPdf('Stamp');
  const { source, document } = await takenUp(bytes);
  const [mark] = [...(document.marks.get('0')?.values() ?? [])];
  expect(mark).toMatchObject({ kind: 'picture', author: expect.any(String) });
  expect([...document.attachments.keys()]).toEqual(kindFor(mark).attachments?.(mark));
  expect((await inspectPdf(source)).written).toBeNull();
  const copy = await makeFixedCopy(source, document, { deflate, ...textFiles });
  const [before, after] = [await drawn(bytes), await drawn(copy.bytes)];
  expect(differingShare(before, after)).toBeLessThan(0.002);
  // Something was there to be seen.
  expect(differingShare(await drawn(source), before)).toBeGreaterThan(0.0005);
});

test('every kind looks about as it did', async () => {
  const bytes = await annotatedPdf();
  const { source, document } = await takenUp(bytes);
  const copy = await makeFixedCopy(source, document, { deflate, ...textFiles });
  const [before, after] = [await drawn(bytes), await drawn(copy.bytes)];
  expect(differingShare(before, after)).toBeLessThan(0.01);
});

test('the signature of a file stays valid where what was written on it is taken up', async () => {
  const signed = await signedPdf(await annotatedPdf());
  expect(signaturesOf(signed)).toMatch(/Signature is Valid/);
  const { source, marks } = await takeUpAnnotations(signed, { tools: pictureTools });
  expect(marks.length).toBeGreaterThan(8);
  expect(signaturesOf(source)).toMatch(/Signature is Valid/);
  expect(source.subarray(0, signed.length)).toEqual(signed);
  expect((await inspectPdf(source)).written).toBeNull();
});
