import { filledArea } from './support/areas';
import { readFileSync } from 'node:fs';
import { degrees, PDFDocument, PDFName } from '@cantoo/pdf-lib';
import { outlineOf } from '@marginalis/core/derived';
import { emptyDocument, findMark } from '@marginalis/core/document';
import { pathRings, plainPage } from '@marginalis/core/geometry';
import { inspectPdf, makeFixedCopy } from '@marginalis/core/pdf';
import { alongCorners, ellipsePath, wavePath } from '../core/testing/hand';
import { HIGHLIGHTER, pageRefsFor, PEN, written } from '../core/testing/marks';
import { addAnnotation, filledForm, pdfWith } from '../core/testing/pdfs';
import {
  changeBetween,
  cropped,
  differingShare,
  marksApart,
  type Picture,
} from './support/pictures';
import { renderPage } from './support/pdfium';
import {
  complaintOfMupdf,
  complaintOfQpdf,
  ghostscriptPicture,
  infoOf,
  popplerPicture,
  textOf,
} from './support/programs';
import { REAL_PDFS, realPdf } from './support/realPdfs';

jest.setTimeout(120_000);

/** Marks near the middle of the first pages, whatever their boxes. */
async function marked(source: Uint8Array, most = 4) {
  const pages = pageRefsFor((await inspectPdf(source)).pages);
  const strokes = pages.slice(0, most).flatMap(({ box }, page) => {
    const x = (box.minX + box.maxX) / 2;
    const y = (box.minY + box.maxY) / 2;
    return [
      { page, path: wavePath({ x: x - 100, y }, 200, 12, 3) },
      {
        page,
        path: alongCorners([
          { x: x - 90, y: y + 40 },
          { x: x + 90, y: y + 40 },
        ]),
        instrument: HIGHLIGHTER,
      },
      { page, path: ellipsePath({ x, y: y - 50 }, 50, 30) },
    ];
  });
  return { pages, copy: await makeFixedCopy(source, written(pages, strokes)) };
}

const SAMPLES = ['rock-pool-zones', 'barnacles', 'tide-log', 'handbook'].map((name) => ({
  name,
  bytes: () => new Uint8Array(readFileSync(`demo/documents/${name}.pdf`)),
}));
const REAL = REAL_PDFS.map((real) => ({ name: real.name, bytes: () => realPdf(real) }));

describe.each([...SAMPLES, ...REAL])('the fixed copy of $name', ({ bytes }) => {
  test('is sound to qpdf, and no worse to MuPDF than its source', async () => {
    const source = bytes();
    const { copy } = await marked(source);
    expect(complaintOfQpdf(copy.bytes)).toBeNull();
    expect(complaintOfMupdf(copy.bytes)).toBe(complaintOfMupdf(source));
  });

  test('holds the same text, page sizes and turns', async () => {
    const source = bytes();
    const { copy } = await marked(source);
    expect(textOf(copy.bytes)).toBe(textOf(source));
    const facts = (text: string) =>
      text.split('\n').filter((l) => /^(Pages|Page size|Page rot|Title|Author|Tagged)/.test(l));
    expect(facts(infoOf(copy.bytes))).toEqual(facts(infoOf(source)));
  });

  test('three renderers that share no code draw the marks alike', async () => {
    const source = bytes();
    const { copy } = await marked(source, 1);
    const change = (draw: (b: Uint8Array) => Picture) =>
      changeBetween(draw(source), draw(copy.bytes));
    const poppler = change((b) => popplerPicture(b, 1, 96));
    const ghost = change((b) => ghostscriptPicture(b, 1, 96));
    const [before, after] = [source, copy.bytes].map((b) =>
      renderPage(b, 0, poppler.width, poppler.height),
    );
    const pdfium = changeBetween(await before, await after);
    const [width, height] = [
      Math.min(poppler.width, ghost.width),
      Math.min(poppler.height, ghost.height),
    ];
    const [p, q, r] = [poppler, pdfium, ghost].map((picture) => cropped(picture, width, height));
    const apart = [marksApart(p, q), marksApart(p, r), marksApart(q, r)];
    console.log(`marks apart: ${apart.map((a) => `${(100 * a).toFixed(1)} %`).join(', ')}`);
    for (const a of apart) expect(a).toBeLessThan(0.12);
  });
});

test('links, outline and page labels of the handbook are there as before', async () => {
  const source = SAMPLES[3].bytes();
  const { copy } = await marked(source);
  expect(copy.linksDropped).toBe(0);
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
    const shown = popplerPicture(source, page + 1, 96);
    expect(differingShare(shown, popplerPicture(copy.bytes, page + 1, 96))).toBe(0);
    const [a, b] = await Promise.all(
      [source, copy.bytes].map((x) => renderPage(x, page, shown.width, shown.height)),
    );
    expect(differingShare(a, b)).toBe(0);
  }
});

test('a damaged font is noticed by the check that is to notice it', async () => {
  const source = SAMPLES[0].bytes();
  const text = new TextDecoder('latin1').decode(source);
  const broken = Uint8Array.from(
    text.replace(/stream\r?\n[^]{40}/g, (s) => s.slice(0, -20) + 'x'.repeat(20)),
    (c) => c.charCodeAt(0),
  );
  expect(complaintOfMupdf(broken)).not.toBe(complaintOfMupdf(source));
  expect(complaintOfQpdf(broken)).not.toBeNull();
});
