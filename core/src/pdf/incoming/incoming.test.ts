import { PDFDocument, PDFName, PDFString } from '@cantoo/pdf-lib';
import { addAnnotation, lockedPdf, pdfWith, plainPdf } from '../../../testing/pdfs.ts';
import { annotatedPdf } from '../../../testing/annotatedPdf.ts';
import { boundsOf } from '../../derived/index.ts';
import { asFigure, asInk, asPicture, asText, placedSamples } from '../../kinds/index.ts';
import { inspectPdf } from '../inspect.ts';
import { readAnnotations } from './readAnnotations.ts';
import { takeUpAnnotations } from './takeUpAnnotations.ts';

const readOf = async (entries: Record<string, unknown>) => {
  const { marks } = await readAnnotations(
    await pdfWith((page) => addAnnotation(page, { Rect: [10, 10, 90, 60], ...entries })),
  );
  return marks[0];
};

test('a marked page is read mark by mark, with authors, notes and answers', async () => {
  const { marks, threads, left } = await readAnnotations(await annotatedPdf());
  expect(
    marks.map(({ id, kind, author, style }) => [
      id.replace(/^annotation-1-\w+$/, 'of no name'),
      kind,
      author,
      style.colour,
    ]),
  ).toEqual([
    ['h-1', 'words', 'Ada Rowan', '#ffd91a'],
    ['u-1', 'words', 'Ada Rowan', '#1a66e6'],
    ['i-1', 'ink', 'Tom Ferrier', '#c22e17'],
    ['of no name', 'figure', 'Ada Rowan', '#0f7566'],
    ['of no name', 'figure', 'Ada Rowan', '#7d2e8f'],
    ['of no name', 'figure', 'Ada Rowan', '#1a1a1a'],
    ['of no name', 'figure', 'Ada Rowan', '#c22e17'],
    ['of no name', 'text', 'Tom Ferrier', '#1f3361'],
    ['n-1', 'note', 'Ada Rowan', '#c22e17'],
    ['i-2', 'ink', 'Ada Rowan', '#1f3361'],
    ['i-2.2', 'ink', 'Ada Rowan', '#1f3361'],
  ]);
  expect(threads[0]).toMatchObject({
    mark: 'h-1',
    remarks: [
      { text: 'Who was the first, then?', author: 'Ada Rowan' },
      { id: 'a-1', text: 'A larva that could not wait.', author: 'Tom Ferrier' },
    ],
    settled: { by: 'Ada Rowan', at: Date.UTC(2026, 9, 3, 7) },
  });
  expect(left.map(({ subtype }) => subtype)).toEqual(['Stamp']);
});

test('what is taken up is nowhere in the file any more; the rest is', async () => {
  const drawn = { width: 1, height: 1, data: Uint8ClampedArray.of(180, 20, 20, 255) };
  const bytes = async () => Uint8Array.of(1, 2, 3);
  const tools = async () => ({ draw: async () => drawn, png: bytes, jpeg: bytes });
  const { source, marks, attachments } = await takeUpAnnotations(await annotatedPdf(), { tools });
  expect(marks).toHaveLength(12);
  // What stands in it is a remark of whoever put it there.
  expect(asPicture(marks[10])?.source ?? asPicture(marks[9])?.source).toBe(attachments[0].id);
  const doc = await PDFDocument.load(source);
  expect(doc.getPage(0).node.lookup(PDFName.of('Annots'))).toBeUndefined();
  expect(new TextDecoder('latin1').decode(source)).not.toMatch(/could not wait|wants a picture/);
  expect((await inspectPdf(source)).written).toBeNull();
});

test('it is told beforehand what there is to take up', async () => {
  const { written } = await inspectPdf(await annotatedPdf());
  expect(written).toEqual({ count: 11, authors: ['Ada Rowan', 'Tom Ferrier'], left: {} });
  expect((await inspectPdf(await plainPdf())).written).toBeNull();
});

test('ink is drawn as its appearance draws it, not along its own points', async () => {
  const { marks } = await readAnnotations(await annotatedPdf());
  const ink = asInk(marks.find(({ kind }) => kind === 'ink') ?? null);
  const points = ink ? placedSamples(ink.ink) : [];
  // The middle of the cubic 560, 640, 640, 560.
  expect(Math.max(...points.map(({ y }) => y))).toBeCloseTo(620, 1);
  expect(ink?.style.width).toBe(2);
  expect(ink && boundsOf(ink).maxY).toBeCloseTo(621, 1);
});

test('ink that is filled is what its appearance fills, stroke by stroke', async () => {
  const { marks } = await readAnnotations(await annotatedPdf());
  const [upper, lower] = marks.slice(-2);
  expect(boundsOf(upper)).toMatchObject({ minX: 99, maxX: 201, maxY: 307 });
  expect(boundsOf(lower)).toEqual({ minX: 119, maxX: 181, minY: 266, maxY: 274 });
  // About as wide as where it is widest.
  expect(lower.style.width).toBeGreaterThan(3);
});

test('an appearance that draws more than ink of one look leaves it in the print', async () => {
  const draws = async (content: string) => {
    const bytes = await pdfWith((page) => {
      const { context } = page.doc;
      const form = context.register(
        context.stream(content, { Subtype: 'Form', BBox: [0, 0, 90, 90] }),
      );
      const Rect = [0, 0, 90, 90];
      addAnnotation(page, { Subtype: 'Ink', Rect, InkList: [[0, 0, 9, 9]], AP: { N: form } });
    });
    return readAnnotations(bytes);
  };
  for (const content of [
    '1 0 0 RG 0 0 m 9 9 l S 0 1 0 RG 0 9 m 9 0 l S',
    '0 0 m 9 9 l S 0 0 9 9 re f',
    '[3] 0 d 0 0 m 9 9 l S',
    'BT /F 9 Tf (ink) Tj ET',
    '/Form Do',
    '0 0 9 9 re f*',
    '9 9 l S',
  ]) {
    const { marks, left } = await draws(content);
    expect([content, marks.length, left.length]).toEqual([content, 0, 1]);
  }
  // What is only clipped, or marked, is ink all the same.
  expect((await draws('/Tx BMC q 0 0 9 9 re W n 0 0 m 9 9 l S Q EMC')).marks).toHaveLength(1);
});

test('an appearance that is stretched onto its place carries the ink along', async () => {
  const bytes = await pdfWith((page) => {
    const { context } = page.doc;
    const entries = { Subtype: 'Form', BBox: [0, 0, 20, 10] };
    const form = context.register(context.stream('0 0 1 RG 2 w 0 0 m 20 10 l S', entries));
    const Rect = [100, 100, 140, 120];
    addAnnotation(page, { Subtype: 'Ink', Rect, InkList: [[0, 0, 20, 10]], AP: { N: form } });
  });
  const ink = asInk((await readAnnotations(bytes)).marks[0]);
  expect(ink?.style).toEqual({ colour: '#0000ff', width: 4, opacity: 1 });
  expect(ink && placedSamples(ink.ink).map(({ x, y }) => [x, y])).toEqual([
    [100, 100],
    [140, 120],
  ]);
});

test('figures have their lines, ends and insides', async () => {
  const square = asFigure(
    await readOf({ Subtype: 'Square', C: [1, 0, 0], IC: [0.5], BS: { W: 4 } }),
  );
  expect(square).toMatchObject({
    figure: { kind: 'rectangle', centre: { x: 50, y: 35 }, width: 76, height: 46 },
    fill: { colour: '#808080' },
    style: { width: 4, colour: '#ff0000' },
  });
  const both = await readOf({
    Subtype: 'Line',
    L: [10, 10, 90, 60],
    LE: ['ClosedArrow', 'None'],
    CA: 0.5,
  });
  // The head is where it was.
  expect(both).toMatchObject({
    figure: { kind: 'arrow', from: { x: 90, y: 60 }, to: { x: 10, y: 10 } },
    style: { opacity: 0.5 },
  });
  expect(
    await readOf({ Subtype: 'Polygon', Vertices: [0, 0, 9, 0, 9, 9], BE: { S: 'C' } }),
  ).toMatchObject({ figure: { kind: 'cloud' } });
  expect(await readOf({ Subtype: 'PolyLine', Vertices: [0, 0, 9, 0, 9, 9] })).toMatchObject({
    figure: { kind: 'polyline', corners: [{}, {}, {}] },
  });
});

test('typed text keeps its letters, its ground and what it points at', async () => {
  const text = asText((await readAnnotations(await annotatedPdf())).marks[7] ?? null);
  expect(text).toMatchObject({
    at: { x: 72, y: 430 },
    angle: 0,
    block: {
      spans: [
        {
          text: 'Compare with the limpets of chapter 3.',
          style: { family: 'sans', size: 13, bold: false, colour: '#1f3361' },
        },
      ],
      align: 'start',
    },
    background: null,
    border: 0,
  });
});

test('rich text says how letters look before the default appearance does', async () => {
  const doc = await pdfWith((page) => {
    addAnnotation(page, {
      Subtype: 'FreeText',
      Rect: [10, 10, 200, 60],
      Contents: PDFString.of('Two words'),
      DA: PDFString.of('0 g /TiRo 9 Tf'),
      DS: PDFString.of('font: bold italic 11pt; color:#C22F17; font-family:Times'),
      Rotate: 90,
    });
  });
  const text = asText((await readAnnotations(doc)).marks[0]);
  expect(text?.block.spans[0].style).toEqual({
    family: 'serif',
    size: 11,
    bold: true,
    italic: true,
    underline: false,
    colour: '#c22f17',
  });
  expect(text?.angle).toBeCloseTo(Math.PI / 2);
  expect(text?.at).toEqual({ x: 10, y: 10 });
});

test('entries that are damaged make no marks, and no harm', async () => {
  const bytes = await pdfWith((page) => {
    for (const Subtype of ['Ink', 'Line', 'Polygon', 'Square', 'Highlight', 'FreeText', 'Text'])
      for (const Rect of [[1, 2], [NaN, 1, 2, 3], 'x', [5, 5, 5, 5]])
        addAnnotation(page, {
          Subtype,
          Rect,
          L: [1],
          InkList: [1, 'x', [1]],
          QuadPoints: [1, 2, 3],
          Vertices: ['a'],
        });
    addAnnotation(page, { Subtype: 'Ink', InkList: [[1e9, 0, 1, 1]], Rect: [0, 0, 9, 9] });
  });
  const { marks } = await readAnnotations(bytes);
  expect(marks.filter(({ kind }) => kind !== 'note' && kind !== 'words')).toEqual([]);
});

test('a locked file is refused without its password', async () => {
  await expect(readAnnotations(await lockedPdf('shore'))).rejects.toThrow();
  expect((await readAnnotations(await lockedPdf('shore'), { password: 'shore' })).marks).toEqual(
    [],
  );
});
