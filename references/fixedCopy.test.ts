import { pathRings } from '../core/testing/shapes';
import { readFileSync } from 'node:fs';
import { degrees, PDFDocument, PDFName } from '@cantoo/pdf-lib';
import { outlineOf } from '@marginalis/core/derived';
import { emptyDocument, findMark } from '@marginalis/core/document';
import { plainPage } from '@marginalis/core/geometry';
import { inspectPdf, makeFixedCopy } from '@marginalis/core/pdf';
import { ellipsePath, wavePath } from '../core/testing/hand';
import { pageRefsFor, PEN, written } from '../core/testing/marks';
import { addAnnotation, filledForm, pdfWith } from '../core/testing/pdfs';
import { filledArea } from './support/areas';
import { checkCopy } from './support/checkCopy';
import { markedCopy } from './support/markedCopy';
import { changeBetween, differingShare } from './support/pictures';
import { renderPage } from './support/pdfium';
import {
  complaintOfQpdf,
  complaintsOfMupdf,
  infoOf,
  outlineByMupdf,
  pictureBy,
  textOf,
} from './support/programs';
import { READER_NAMES } from './support/readers';
import { realPdf, realPdfs } from './support/realPdfs';

jest.setTimeout(600_000);

const sample = (name: string): Uint8Array =>
  new Uint8Array(readFileSync(`demo/documents/${name}.pdf`));
const ALL = process.env.REFERENCES === 'all';
const SAMPLES = (ALL ? ['rock-pool-zones', 'barnacles', 'tide-log', 'handbook'] : ['handbook']).map(
  (name) => ({
    name,
    bytes: () => sample(name),
  }),
);
const REAL = realPdfs()
  .slice(0, ALL ? undefined : 1)
  .map((real) => ({ name: real.name, bytes: () => realPdf(real) }));
/** Pages drawn by six readers of each document. */
const PICTURES = ALL ? 4 : 1;

/** How far two readers' marks may be apart: most of it is their antialiasing. */
const ALIKE = 0.12;

describe.each([...SAMPLES, ...REAL])('the fixed copy of $name', ({ bytes }) => {
  test('is sound, with the same text and streams, and six readers draw it as the source, and its marks alike', async () => {
    const report = await checkCopy(bytes(), PICTURES);
    expect(report).toMatchObject({ qpdf: null, mupdf: [], sameText: true, unlike: [] });
    expect(report.streams.changed).toEqual([]);
    expect(report.streams.both).toBeGreaterThan(0);
    expect(Object.keys(report.outside)).toEqual(READER_NAMES);
    for (const share of Object.values(report.outside)) expect(share).toBeLessThan(0.0005);
    for (const apart of Object.values(report.inside)) expect(apart).toBeLessThan(ALIKE);
    console.log(
      `marks apart from PDFium's: ${Object.entries(report.inside)
        .map(([name, a]) => `${name} ${(100 * a).toFixed(1)} %`)
        .join(', ')}`,
    );
  });

  test('holds the same page sizes, turns and facts about itself', async () => {
    const source = bytes();
    const { copy } = await markedCopy(source);
    const facts = (text: string) =>
      text.split('\n').filter((l) => /^(Pages|Page size|Page rot|Title|Author|Tagged)/.test(l));
    expect(facts(infoOf(copy.bytes))).toEqual(facts(infoOf(source)));
  });
});

test('links, outline and page labels of the handbook are there as before', async () => {
  const source = sample('handbook');
  const { copy } = await markedCopy(source);
  expect(copy.linksDropped).toEqual([]);
  const told = async (bytes: Uint8Array) => {
    const doc = await PDFDocument.load(bytes);
    const links = doc.getPages().map((p) => p.node.Annots()?.size() ?? 0);
    const labels = doc.catalog.lookup(PDFName.of('PageLabels'))?.toString();
    const outline = doc.catalog
      .lookup(PDFName.of('Outlines'))
      ?.toString()
      .replace(/\d+ 0 R/g, 'R');
    return { links, labels, outline };
  };
  expect(await told(copy.bytes)).toEqual(await told(source));
});

test('own bookmarks stand in the outline as MuPDF reads it: at its end, or as all of it', async () => {
  for (const name of ['handbook', 'barnacles']) {
    const source = sample(name);
    const pages = pageRefsFor((await inspectPdf(source)).pages);
    const bookmarks = [3, 1].map((page, order) => ({
      ...{ id: `b${page}`, title: `Zone ${page} – Ebbe`, page: pages[page].id },
      ...{ at: { x: 100, y: 300 }, parent: null, order, madeAt: 1 },
    }));
    const state = {
      ...emptyDocument(pages),
      bookmarks: new Map(bookmarks.map((one) => [one.id, one])),
    };
    const { bytes } = await makeFixedCopy(source, state);
    const before = outlineByMupdf(source);
    expect(before.length > 0).toBe(name === 'handbook');
    expect(outlineByMupdf(bytes)).toEqual([
      ...before,
      { title: 'Zone 3 – Ebbe', page: 3 },
      { title: 'Zone 1 – Ebbe', page: 1 },
    ]);
    expect(complaintOfQpdf(bytes)).toBeNull();
  }
});

test('the inked area in another renderer’s picture is the area of the outlines’ union', async () => {
  const source = await pdfWith(() => undefined);
  const pages = pageRefsFor([plainPage(300, 400)]);
  const black = { ...PEN, colour: '#000000', widthMm: 1.5 };
  const state = written(pages, [
    {
      page: 0,
      path: ellipsePath({ x: 150, y: 200 }, 90, 60, 0.4, 1.2),
      instrument: black,
      id: 'a',
    },
    { page: 0, path: wavePath({ x: 40, y: 200 }, 220, 50, 4), instrument: black, id: 'b' },
  ]);
  const copy = await makeFixedCopy(source, state);
  const rings = ['a', 'b'].flatMap((id) => {
    const mark = findMark(state, id);
    return mark ? pathRings(outlineOf(mark)) : [];
  });
  const wanted = filledArea(rings, 0.01);

  const scale = 4;
  const blank = await renderPage(source, 0, 300 * scale, 400 * scale);
  const inked = changeBetween(blank, await renderPage(copy.bytes, 0, 300 * scale, 400 * scale));
  let sum = 0;
  for (let i = 0; i < inked.data.length; i += 4) sum += inked.data[i] / 255;
  const drawn = sum / (scale * scale);
  console.log(`ink: ${drawn.toFixed(1)} square points drawn, ${wanted.toFixed(1)} computed`);
  expect(Math.abs(drawn / wanted - 1)).toBeLessThan(0.02);
});

test('annotations of others look in the copy as they did, on turned and cropped pages too', async () => {
  const source = await pdfWith((page, _doc, i) => {
    page.setRotation(degrees(90 * i));
    if (i % 2 === 1) page.setCropBox(20, 30, 240, 340);
    const rect = [100, 100, 180, 150];
    addAnnotation(page, {
      Subtype: 'Stamp',
      F: 4,
      Rect: rect,
      AP: { N: filledForm(page, '0.8 0.2 0.1', [0, 0, 40, 40], [0, 1, -1, 0, 10, 5]) },
    });
    addAnnotation(page, {
      Subtype: 'Square',
      F: 4,
      Rect: [60, 200, 140, 260],
      AP: { N: filledForm(page, '0.1 0.4 0.8', [60, 200, 140, 260]) },
    });
    addAnnotation(page, {
      Subtype: 'Stamp',
      F: 2,
      Rect: [150, 220, 220, 300],
      AP: { N: filledForm(page, '0 0 0', [0, 0, 9, 9]) },
    });
  }, 4);
  const copy = await makeFixedCopy(source, emptyDocument([]));
  expect(copy.annotationsDrawn).toBe(8);
  for (let page = 0; page < 4; page++) {
    const shown = await pictureBy('poppler, Splash', source, page + 1, 96);
    const again = await pictureBy('poppler, Splash', copy.bytes, page + 1, 96);
    expect(differingShare(shown, again)).toBe(0);
    const [a, b] = await Promise.all(
      [source, copy.bytes].map((x) => renderPage(x, page, shown.width, shown.height)),
    );
    expect(differingShare(a, b)).toBe(0);
  }
});

test('a damaged font is noticed by the check that is to notice it', async () => {
  const source = sample('rock-pool-zones');
  const text = new TextDecoder('latin1').decode(source);
  const broken = Uint8Array.from(
    text.replace(/stream\r?\n[^]{40}/g, (s) => s.slice(0, -20) + 'x'.repeat(20)),
    (c) => c.charCodeAt(0),
  );
  expect(complaintsOfMupdf(broken)).not.toEqual(complaintsOfMupdf(source));
  expect(complaintOfQpdf(broken)).not.toBeNull();
});

test('a highlight of others, multiplied inside a group, leaves its words to be read in all six readers', async () => {
  const source = await pdfWith((page) => {
    const { context } = page.doc;
    const N = context.register(
      context.stream('/Multiply gs 1 0.9 0.2 rg 38 334 150 20 re f', {
        Type: 'XObject',
        Subtype: 'Form',
        BBox: [38, 334, 188, 354],
        Group: { S: 'Transparency' },
        Resources: { ExtGState: { Multiply: { BM: 'Multiply' } } },
      }),
    );
    addAnnotation(page, { Subtype: 'Highlight', F: 4, Rect: [38, 334, 188, 354], AP: { N } });
  });
  const plain = await pdfWith(() => undefined);
  const { bytes } = await makeFixedCopy(source, emptyDocument([]));
  for (const reader of READER_NAMES) {
    const [unmarked, shown] = await Promise.all(
      [plain, bytes].map((b) => pictureBy(reader, b, 1, 96)),
    );
    let [ink, kept, yellow] = [0, 0, 0];
    for (let i = 0; i < shown.data.length; i += 4) {
      const dark = unmarked.data[i] < 80;
      if (dark) ink++;
      if (dark && shown.data[i] < 120) kept++;
      if (shown.data[i] > 200 && shown.data[i + 2] < 120) yellow++;
    }
    expect([reader, ink > 100, kept / ink > 0.98, yellow > 2000]).toEqual([
      reader,
      true,
      true,
      true,
    ]);
  }
});

test('lines that bring no picture keep their arrowheads where another reader draws them', async () => {
  for (const name of ['OpenArrow', 'ClosedArrow', 'Circle', 'Diamond', 'Square', 'Butt']) {
    const source = await pdfWith((page) =>
      addAnnotation(page, {
        Subtype: 'Line',
        F: 4,
        Rect: [60, 150, 240, 250],
        L: [80, 200, 220, 200],
        LE: ['None', name],
        C: [0.8, 0.1, 0.1],
        IC: [0.8, 0.1, 0.1],
        BS: { W: 3 },
      }),
    );
    const { bytes } = await makeFixedCopy(source, emptyDocument([]));
    const [theirs, ours] = await Promise.all(
      [source, bytes].map((b) => pictureBy('MuPDF', b, 1, 96)),
    );
    // Around the end, where a bare line has none of it.
    const inked = ({ width, data }: typeof ours): number => {
      let count = 0;
      for (let y = 240; y < 295; y++)
        for (let x = 255; x < 315; x++) {
          const bare = Math.abs(y - 267) < 4 && x < 294;
          if (!bare && data[4 * (y * width + x) + 1] < 128) count++;
        }
      return count;
    };
    console.log(`${name}: ${inked(ours)} pixels of ours, ${inked(theirs)} of theirs`);
    expect(inked(ours)).toBeGreaterThan(0.4 * inked(theirs));
    expect(inked(ours)).toBeLessThan(2.5 * inked(theirs));
  }
});

test('what was filled in is text to another program, even where the form brought no pictures of its fields', async () => {
  const source = await pdfWith((page, doc) => {
    const form = doc.getForm();
    const field = form.createTextField('name');
    field.setText('Saltmarsh');
    field.addToPage(page, { x: 40, y: 100, width: 120, height: 20 });
    form.acroForm.dict.set(PDFName.of('NeedAppearances'), doc.context.obj(true) as never);
    for (const widget of field.acroField.getWidgets()) widget.dict.delete(PDFName.of('AP'));
  });
  const { bytes } = await makeFixedCopy(source, emptyDocument([]));
  expect(complaintOfQpdf(bytes)).toBeNull();
  expect([...complaintsOfMupdf(bytes)]).toEqual([
    ...complaintsOfMupdf(await pdfWith(() => undefined)),
  ]);
  expect(textOf(bytes)).toContain('Saltmarsh');
});
