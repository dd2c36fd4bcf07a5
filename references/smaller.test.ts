import { readFileSync } from 'node:fs';
import { createCanvas, ImageData } from '@napi-rs/canvas';
import { degrees, PDFDocument } from '@cantoo/pdf-lib';
import { makeFixedCopy, makeLivingCopy, openLivingCopy, type Smaller } from '@marginalis/core/pdf';
import { prove } from '../cli/proving';
import { pictureTools } from '../cli/smaller';
import { seededRandom } from '../core/testing/seededRandom';
import { deflate, markedCopy } from './support/markedCopy';
import { differingShare, type Picture } from './support/pictures';
import {
  complaintOfQpdf,
  newComplaints,
  pictureBy,
  picturesIn,
  textOf,
  withFile,
} from './support/programs';
import { READER_NAMES, type ReaderName, READERS } from './support/readers';
import { realPdf, realPdfs } from './support/realPdfs';

/**
 * Copies that are made smaller, as `pdfimages` lists their pictures and as six readers draw them: beside the same copies with
 * their pictures as they were.
 */

jest.setTimeout(300_000);

const ALL = process.env.REFERENCES === 'all';
const ASKED: readonly ReaderName[] = ALL ? READER_NAMES : ['poppler, Splash', 'MuPDF', 'PDFium'];
/** By which share of their blocks two pictures of a page may differ (support/pictures). */
const ALIKE = 0.002;
const SHA = 'a'.repeat(64);

let smaller: Smaller;
beforeAll(async () => {
  smaller = { dpi: 150, tools: await pictureTools() };
});

const sample = (name: string): Uint8Array =>
  new Uint8Array(readFileSync(`demo/documents/${name}.pdf`));

const canvasOf = ({ width, height, data }: Picture) => {
  const canvas = createCanvas(width, height);
  canvas
    .getContext('2d')
    .putImageData(new ImageData(new Uint8ClampedArray(data), width, height), 0, 0);
  return canvas;
};

/** A photograph, so to speak: large soft shapes, and grain. */
function photograph(width: number, height: number): Picture {
  const random = seededRandom(3);
  const data = new Uint8Array(width * height * 4);
  for (let k = 0; k < width * height; k++) {
    const [u, v] = [(k % width) / width, Math.floor(k / width) / height];
    const level = 120 + 70 * Math.sin(5 * u + 3 * v) + 40 * Math.cos(9 * v - 4 * u);
    const grain = 24 * (random() - 0.5);
    data.set([level + grain, 0.8 * level + 30 + grain, 200 - 0.6 * level + grain, 255], 4 * k);
  }
  return { width, height, data };
}

let made: Promise<Uint8Array> | null = null;

/** Pages as a copier scans them, a page with photographs of every kind, and a page that is turned. */
const withPictures = (): Promise<Uint8Array> => (made ??= makePictures());

async function makePictures(): Promise<Uint8Array> {
  const worksheet = sample('rock-pool-zones');
  const scan = canvasOf(await pictureBy('poppler, Splash', worksheet, 1, 200));
  const doc = await PDFDocument.create();
  const whole = { x: 0, y: 0, width: 595, height: 842 };
  doc.addPage([595, 842]).drawImage(await doc.embedJpg(await scan.encode('jpeg', 92)), whole);
  const page = doc.addPage([595, 842]);
  const photo = canvasOf(photograph(900, 675));
  const jpeg = await doc.embedJpg(await photo.encode('jpeg', 92));
  page.drawImage(jpeg, { x: 50, y: 500, width: 240, height: 180 });
  page.drawImage(await doc.embedPng(await photo.encode('png')), {
    x: 300,
    y: 500,
    width: 240,
    height: 180,
  });
  const round = createCanvas(900, 675);
  const ctx = round.getContext('2d');
  ctx.ellipse(450, 337, 400, 300, 0, 0, 2 * Math.PI);
  ctx.clip();
  ctx.drawImage(photo, 0, 0);
  page.drawImage(await doc.embedPng(await round.encode('png')), {
    ...{ x: 200, y: 200, width: 240, height: 180, rotate: degrees(20) },
  });
  const turned = doc.addPage([595, 842]);
  turned.setRotation(degrees(90));
  turned.drawImage(jpeg, { x: 50, y: 100, width: 340, height: 255 });
  return doc.save();
}

test('pictures have 150 dots an inch at most, look alike in every reader, and the marks are proved', async () => {
  const source = await withPictures();
  const { document, copy } = await markedCopy(source);
  const small = await makeFixedCopy(source, document, { deflate, smaller });
  expect(complaintOfQpdf(small.bytes)).toBeNull();
  expect(newComplaints(source, small.bytes)).toEqual([]);
  const before = picturesIn(source);
  const after = picturesIn(small.bytes);
  expect(Math.min(...before.map(({ ppi }) => ppi))).toBeGreaterThan(180);
  expect(after).toHaveLength(before.length);
  // What is used twice keeps enough for its larger place, on the third page.
  const [twice] = after.filter(({ page }) => page === 3);
  expect(twice.ppi).toBe(150);
  for (const { width, ppi } of after)
    if (width !== twice.width) expect(ppi).toBeLessThanOrEqual(151);
  expect(small.bytes.length).toBeLessThan(0.3 * copy.bytes.length);
  const told = small.smaller;
  expect(told?.pictures).toBe(4);
  expect(Math.abs((told?.saved ?? 0) - (copy.bytes.length - small.bytes.length))).toBeLessThan(
    4000,
  );
  for (const reader of ASKED) {
    const [was, is] = await Promise.all(
      [copy.bytes, small.bytes].map((bytes) =>
        withFile(bytes, (path) => READERS[reader](path, [1, 2, 3], 72)),
      ),
    );
    for (const [page, picture] of was) {
      const alike = differingShare(picture, is.get(page) as Picture) <= ALIKE;
      expect({ reader, page, alike }).toEqual({ reader, page, alike: true });
    }
  }
  const { proof } = await prove({ source, document, smaller: told?.places }, small.bytes);
  expect(proof).toMatchObject({ alike: true });
  expect(proof.pages.map(({ index, marks, lost }) => [index, marks, lost.length])).toEqual([
    [0, 3, 0],
    [1, 3, 0],
    [2, 3, 0],
  ]);
});

test('a mark that is missing on a picture is missed, though pictures are compared by their squares', async () => {
  const source = await withPictures();
  const { document } = await markedCopy(source);
  const [first] = document.pages;
  const marks = new Map(document.marks);
  for (const id of marks.get(first.id)?.keys() ?? []) {
    const fewer = new Map(marks.get(first.id));
    fewer.delete(id);
    const without = { ...document, marks: new Map(marks).set(first.id, fewer) };
    const small = await makeFixedCopy(source, without, { deflate, smaller });
    const asked = { source, document, smaller: small.smaller?.places };
    const { proof } = await prove(asked, small.bytes);
    expect(proof.pages[0]).toMatchObject({ alike: false, lost: [id] });
    if (!ALL) break;
  }
});

test('a living copy is made smaller too, opens with every mark, and its source stays small', async () => {
  const source = await withPictures();
  const { document } = await markedCopy(source);
  const options = { deflate, smaller, madeAt: Date.UTC(2026, 10, 29) };
  const small = await makeLivingCopy([{ sha: SHA, bytes: source }], document, options);
  expect(complaintOfQpdf(small.bytes)).toBeNull();
  expect(small).toMatchObject({ addedTo: false, smaller: { pictures: 4 } });
  const opened = await openLivingCopy(small.bytes, 0);
  expect(opened?.elsewhere).toMatchObject({ added: 0, changed: 0, removed: 0 });
  expect(opened?.source.length).toBeLessThan(0.3 * source.length);
});

test('what others have made becomes no larger, says the same, and looks alike', async () => {
  for (const real of realPdfs().slice(0, ALL ? undefined : 1)) {
    const source = realPdf(real);
    const { document, copy } = await markedCopy(source, () => [0]);
    const small = await makeFixedCopy(source, document, { deflate, smaller });
    expect(complaintOfQpdf(small.bytes)).toBeNull();
    expect(small.bytes.length).toBeLessThanOrEqual(copy.bytes.length);
    expect(textOf(small.bytes)).toBe(textOf(copy.bytes));
    for (const page of new Set([1, ...(small.smaller?.places ?? []).map((one) => one.page + 1)])) {
      const [was, is] = await Promise.all(
        [copy.bytes, small.bytes].map((bytes) => pictureBy('MuPDF', bytes, page, 72)),
      );
      expect(differingShare(was, is)).toBeLessThanOrEqual(ALIKE);
    }
  }
});
