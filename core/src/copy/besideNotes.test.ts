import fc from 'fast-check';
import { PDFDocument } from '@cantoo/pdf-lib';
import { loadFace, shippedFonts } from '../../testing/faces.ts';
import { pageRefsFor } from '../../testing/marks.ts';
import { plainPdf } from '../../testing/pdfs.ts';
import { emptyDocument } from '../document/index.ts';
import { type Drawing, drawingBounds, type Item } from '../drawing/index.ts';
import {
  type Box,
  displayMatrix,
  displaySize,
  plainPage,
  transform,
  transformBox,
  type Vec,
} from '../geometry/index.ts';
import { placeText, setBlock, setText } from '../type/typesetter.ts';
import { runBox } from '../type/index.ts';
import { makeFixedCopy } from '../pdf/fixedCopy.ts';
import { inspectPdf } from '../pdf/inspect.ts';
import { setBeside } from './besideNotes.ts';
import type { CopyNote } from './copyNote.ts';

const fonts = shippedFonts();
const typesetter = { setText, placeText, setBlock };
const note = (number: number, at: Vec, text: string): CopyNote => ({
  number,
  place: { page: 0, at, inMargin: true },
  about: '',
  remarks: [{ by: 'Ines Mara · 3 May 2026', text }],
  task: '',
  labels: [],
  settled: '',
});
const glyphsIn = (drawing: Drawing) =>
  drawing.filter((item): item is Extract<Item, { is: 'glyphs' }> => item.is === 'glyphs');
/** The grounds of cards in the order they stand, as the page is seen; the margin's own comes before them. */
const groundsIn = (drawing: Drawing, matrix: ReturnType<typeof displayMatrix>): Box[] =>
  drawing
    .slice(1)
    .filter((item) => item.is === 'fill' && item.paint.colour === '#ffffff')
    .map((item) => transformBox(matrix, drawingBounds([item])));

test.each([0, 90, 180, 270] as const)(
  'cards stand in a margin to the right of a page turned by %i°, in order, none over another',
  (rotate) => {
    const page = { ...plainPage(400, 600), rotate };
    const display = displayMatrix(page);
    const { width, height } = displaySize(page);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(400), fc.nat(600), fc.nat(300)), { minLength: 1, maxLength: 9 }),
        (all) => {
          const notes = all.map(([x, y, long], k) =>
            note(k + 1, { x, y }, 'settle on rock '.repeat(1 + long / 20).trim()),
          );
          const beside = setBeside(notes, page, fonts, typesetter);
          const seen = displaySize(beside.page);
          expect(seen.height).toBeCloseTo(height);
          expect(seen.width - width).toBeGreaterThan(100);
          // What is on the page stays where it is.
          for (const at of [
            { x: 0, y: 0 },
            { x: 400, y: 600 },
          ]) {
            const [was, is] = [transform(display, at), transform(displayMatrix(beside.page), at)];
            expect(Math.hypot(was.x - is.x, was.y - is.y)).toBeLessThan(1e-6);
          }
          const grounds = groundsIn(beside.drawing, display);
          expect(grounds.length).toBeGreaterThan(0);
          grounds.forEach(({ minX, minY, maxX, maxY }, k) => {
            expect(minX).toBeGreaterThan(width);
            expect(maxX).toBeLessThan(seen.width);
            expect(minY).toBeGreaterThanOrEqual(0);
            expect(maxY).toBeLessThanOrEqual(height);
            if (k > 0) expect(minY).toBeGreaterThanOrEqual(grounds[k - 1].maxY);
          });
          for (const { run } of glyphsIn(beside.drawing)) {
            const { minX, maxX } = transformBox(display, runBox(run));
            expect(minX).toBeGreaterThan(width);
            expect(maxX).toBeLessThan(seen.width);
          }
        },
      ),
      { numRuns: 25 },
    );
  },
);

test('a card is level with what it is about where others leave room; what has none stands at the end', () => {
  const page = plainPage(400, 600);
  const display = displayMatrix(page);
  const alone = setBeside([note(1, { x: 80, y: 400 }, 'Why?')], page, fonts, typesetter);
  const [first] = glyphsIn(alone.drawing);
  const { minY, maxY } = transformBox(display, runBox(first.run));
  expect(Math.abs((minY + maxY) / 2 - 200)).toBeLessThan(6);
  const long = 'Barnacles settle on rock where others have settled. '.repeat(60);
  const many = [
    note(1, { x: 80, y: 500 }, 'Short.'),
    note(2, { x: 80, y: 400 }, long),
    note(3, { x: 80, y: 300 }, 'Short too.'),
  ];
  const beside = setBeside(many, page, fonts, typesetter);
  expect(beside.left.map(({ number }) => number)).toEqual([2]);
  const said = glyphsIn(beside.drawing).map(({ run }) => run.text);
  expect(said.join(' ')).toMatch(/Short\. .*At the end .*Short too\./);
  const crowd = Array.from({ length: 200 }, (_, k) => note(k + 1, { x: 80, y: 300 }, 'Here.'));
  const crowded = setBeside(crowd, page, fonts, typesetter);
  expect(crowded.left).toHaveLength(200);
  expect(crowded.drawing.length).toBeGreaterThan(50);
});

test('a copy with notes beside its pages has wider pages where there are some, and none more but for those without room', async () => {
  const source = await plainPdf();
  const document = emptyDocument(pageRefsFor((await inspectPdf(source)).pages));
  const copyWith = async (notes: readonly CopyNote[]): Promise<PDFDocument> => {
    const { bytes, pages } = await makeFixedCopy(source, document, {
      ...{ face: loadFace, typesetter, notes },
      notesAt: 'beside',
    });
    const doc = await PDFDocument.load(bytes);
    expect(doc.getPageCount()).toBe(pages);
    return doc;
  };
  const was = (await PDFDocument.load(source)).getPages();
  const is = (await copyWith([note(1, { x: 80, y: 400 }, 'Why?')])).getPages();
  expect(is).toHaveLength(was.length);
  expect(is[0].getCropBox().width).toBeGreaterThan(was[0].getWidth() + 100);
  expect(is[0].getMediaBox().width).toBe(is[0].getCropBox().width);
  expect(is.slice(1).map((page) => page.getWidth())).toEqual(
    was.slice(1).map((page) => page.getWidth()),
  );
  const lost = { ...note(1, { x: 80, y: 400 }, 'Why?'), place: null };
  const end = (await copyWith([lost])).getPages();
  expect(end).toHaveLength(was.length + 1);
  expect(end[0].getWidth()).toBe(was[0].getWidth());
});
