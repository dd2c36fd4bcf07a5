import { PDFDocument } from '@cantoo/pdf-lib';
import { smallPicture } from '../../testing/attachment.ts';
import { loadFace, shippedFonts } from '../../testing/faces.ts';
import { done, pageRefsFor } from '../../testing/marks.ts';
import { plainPdf } from '../../testing/pdfs.ts';
import { changeOf, emptyDocument } from '../document/index.ts';
import { drawingBounds } from '../drawing/index.ts';
import { displaySize, plainPage } from '../geometry/index.ts';
import { placeText, setBlock, setText } from '../type/typesetter.ts';
import { runBox } from '../type/index.ts';
import { makeFixedCopy } from '../pdf/fixedCopy.ts';
import { inspectPdf } from '../pdf/inspect.ts';
import type { CopyNote } from './copyNote.ts';
import { drawSigns } from './drawSigns.ts';
import { setNotes } from './setNotes.ts';

const fonts = shippedFonts();
const typesetter = { setText, placeText, setBlock };
const SIZE = { width: 595, height: 842 };

const note = (number: number, more: Partial<CopyNote> = {}): CopyNote => ({
  number,
  place: { page: 0, at: { x: 80, y: 700 }, inMargin: true },
  about: 'Page 1 · “An adult barnacle”',
  remarks: [{ by: 'Ines Mara · 3 May 2026', text: 'How long does it live there?' }],
  task: '',
  labels: [],
  settled: '',
  ...more,
});
const textOn = (page: ReturnType<typeof setNotes>[number]): string =>
  page.map((item) => (item.is === 'glyphs' ? item.run.text : '')).join('\n');

test('notes are set in order, within the margins, on as many pages as they take', () => {
  const long = 'Barnacles settle on rock where others have settled. '.repeat(30);
  const notes = Array.from({ length: 30 }, (_, k) =>
    note(k + 1, { remarks: [{ by: '', text: k % 7 === 3 ? long : `Remark ${k + 1} ends.` }] }),
  );
  const pages = setNotes(notes, SIZE, fonts, typesetter);
  expect(pages.length).toBeGreaterThan(2);
  const order = pages
    .map(textOn)
    .join('\n')
    .match(/Remark \d+/gu);
  expect(order).toEqual(
    notes.filter((_, k) => k % 7 !== 3).map(({ number }) => `Remark ${number}`),
  );
  for (const page of pages)
    for (const item of page) {
      if (item.is !== 'glyphs') throw new Error('Notes are text.');
      const { minX, minY, maxX, maxY } = runBox(item.run);
      expect(Math.min(minX, minY)).toBeGreaterThan(40);
      expect(maxX).toBeLessThan(SIZE.width - 40);
      expect(maxY).toBeLessThan(SIZE.height - 40);
    }
});

test.each([0, 90, 180, 270] as const)(
  'numbers lie within a page turned by %i°, none on another',
  (rotate) => {
    // Some of them belong beyond its edge.
    const page = { ...plainPage(400, 600), rotate };
    const notes = Array.from({ length: 9 }, (_, k) => note(k + 1));
    const signs = drawSigns(notes, page, fonts, typesetter);
    const { minX, minY, maxX, maxY } = drawingBounds(signs);
    expect([minX > 0, minY > 0, maxX < 400, maxY < 600]).toEqual([true, true, true, true]);
    const grounds = signs.filter((item) => item.is === 'fill').map((item) => drawingBounds([item]));
    grounds.forEach((a, k) => {
      for (const b of grounds.slice(k + 1))
        expect(a.maxX <= b.minX || b.maxX <= a.minX || a.maxY <= b.minY || b.maxY <= a.minY).toBe(
          true,
        );
    });
    expect(displaySize(page).width).toBe(rotate % 180 === 0 ? 400 : 600);
  },
);

test('a copy has a page more for its notes; one without notes has none', async () => {
  const source = await plainPdf();
  const document = emptyDocument(pageRefsFor((await inspectPdf(source)).pages));
  const plain = await makeFixedCopy(source, document);
  const noted = await makeFixedCopy(source, document, {
    face: loadFace,
    notes: [note(1), note(2, { place: null, settled: 'Settled by Teo' })],
    typesetter,
  });
  expect(noted.pages).toBe(plain.pages + 1);
  expect((await PDFDocument.load(noted.bytes)).getPageCount()).toBe(noted.pages);
  const none = await makeFixedCopy(source, document, { notes: [], typesetter });
  expect(none.pages).toBe(plain.pages);
});

test('pages of notes come after those of a document that has fewer than its file', async () => {
  const doc = await PDFDocument.create();
  for (let k = 0; k < 4; k++) doc.addPage([300 + k, 400]);
  const source = await doc.save();
  const all = emptyDocument(pageRefsFor((await inspectPdf(source)).pages));
  const some = { ...all, pages: [all.pages[2], all.pages[0]] };
  const { bytes, pages } = await makeFixedCopy(source, some, {
    face: loadFace,
    notes: [note(1)],
    typesetter,
  });
  expect(pages).toBe(3);
  const widths = (await PDFDocument.load(bytes)).getPages().map((page) => page.getWidth());
  expect(widths).toEqual([302, 300, 595]);
});

test('what tasks carry with them stands whole beneath them, no larger than its page', () => {
  const sizes = [
    [1200, 300],
    [200, 1400],
    [8, 6],
  ];
  const notes = sizes.map(([width, height], k) =>
    note(k + 1, { task: 'Check', picture: { source: `a${k}`, width, height } }),
  );
  const small = { width: 300, height: 260 };
  for (const size of [SIZE, small]) {
    const pages = setNotes(notes, size, fonts, typesetter);
    const shown = pages.flat().filter((item) => item.is === 'picture');
    expect(shown.map(({ source }) => source)).toEqual(['a0', 'a1', 'a2']);
    shown.forEach((item, k) => {
      const { minX, minY, maxX, maxY } = drawingBounds([item]);
      expect(Math.min(minX, minY, size.width - maxX, size.height - maxY)).toBeGreaterThan(20);
      expect((maxX - minX) / (maxY - minY)).toBeCloseTo(sizes[k][0] / sizes[k][1]);
    });
  }
});

test('a copy holds the bytes of what its tasks carry', async () => {
  const source = await plainPdf();
  const empty = emptyDocument(pageRefsFor((await inspectPdf(source)).pages));
  const attachment = smallPicture('a');
  const document = done(empty, {
    label: '',
    changes: [changeOf('attachment', null, attachment)],
  });
  const picture = { source: 'a', width: 8, height: 6 };
  const { bytes } = await makeFixedCopy(source, document, {
    face: loadFace,
    notes: [note(1, { task: 'Check', picture })],
    typesetter,
  });
  expect(Buffer.from(bytes).includes(Buffer.from(attachment.data, 'base64'))).toBe(true);
});
