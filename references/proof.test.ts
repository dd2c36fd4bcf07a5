import { readFileSync } from 'node:fs';
import { degrees, PDFDocument } from '@cantoo/pdf-lib';
import { PNG } from 'pngjs';
import { prove } from '../cli/proving';
import { textFiles } from '../cli/faces';
import type { CopyNote } from '../core/src/copy';
import { type DocState, type Page } from '../core/src/document';
import { inspectPdf, makeFixedCopy } from '../core/src/pdf';
import { wavePath } from '../core/testing/hand';
import { HIGHLIGHTER, pageRefsFor, written } from '../core/testing/marks';
import { turnedAndCropped } from '../e2e/support/turnedAndCropped';
import { deflate } from './support/markedCopy';
import { realPdf, realPdfs } from './support/realPdfs';

/**
 * The proof of a copy, against copies that were made wrongly on purpose: what was changed is known, since it was changed
 * before the copy was made. The documents are the samples and those of other people (see support/realPdfs).
 */

jest.setTimeout(600_000);

const sample = (name: string) => async (): Promise<Uint8Array> =>
  new Uint8Array(readFileSync(`demo/documents/${name}.pdf`));
const ALL = process.env.REFERENCES === 'all';
const DOCUMENTS: readonly { readonly name: string; readonly bytes: () => Promise<Uint8Array> }[] = [
  ...['rock-pool-zones', 'barnacles', 'tide-log', 'equipment-form', 'handbook']
    .slice(0, ALL ? 5 : 2)
    .map((name) => ({ name, bytes: sample(name) })),
  { name: 'turned and cropped pages', bytes: turnedAndCropped },
  ...realPdfs().map((real) => ({ name: real.name, bytes: async () => realPdf(real) })),
];

/** What is put on the first page of every document: a field, and a picture whose sides are not alike. */
interface Put {
  readonly value: string;
  readonly turned: boolean;
}
const RIGHT: Put = { value: 'High water 0.9 m', turned: false };

async function prepared(bytes: Uint8Array, { value, turned }: Put): Promise<Uint8Array> {
  const doc = await PDFDocument.load(bytes, { updateMetadata: false });
  const [page] = doc.getPages();
  const { x, y, width, height } = page.getCropBox();
  const [left, foot] = [x + 0.3 * width, y + 0.2 * height];
  const field = doc.getForm().createTextField('a.value.of.ours');
  field.setText(value);
  field.addToPage(page, { x: left, y: foot, width: 140, height: 20 });
  const picture = await doc.embedPng(wedge());
  const by = turned ? { x: 60, y: 40 } : { x: 0, y: 0 };
  page.drawImage(picture, {
    x: left + by.x,
    y: foot + 40 + by.y,
    width: 60,
    height: 40,
    rotate: degrees(turned ? 180 : 0),
  });
  return doc.save({ updateFieldAppearances: false });
}

/** Dark at its upper left. */
function wedge(): Uint8Array {
  const png = new PNG({ width: 48, height: 32 });
  for (let k = 0; k < 48 * 32; k++) {
    const [u, v] = [(k % 48) / 47, Math.floor(k / 48) / 31];
    png.data.set([60 + 190 * u, 60 + 190 * v, 90, 255], 4 * k);
  }
  return new Uint8Array(PNG.sync.write(png));
}

const note = (text: string): CopyNote => ({
  number: 1,
  place: { page: 0, at: { x: 200, y: 300 }, inMargin: true },
  about: 'Page 1',
  remarks: [{ by: 'Ines Mara', text }],
  task: '',
  labels: [],
  settled: '',
});
const SAID = 'Measured twice: is the lowest line right?';

/** What a person has done to the first page. */
interface Done {
  readonly strokes: 'all' | 'one less';
  /** By how much the highlight lies off, points. */
  readonly off: number;
  readonly said: string;
}
const WHOLE: Done = { strokes: 'all', off: 0, said: SAID };

function marked(pages: readonly Page[], { strokes, off }: Done): DocState {
  const { box } = pages[0];
  const [x, y] = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
  return written(pages, [
    { page: 0, id: 'wave', path: wavePath({ x: x - 60, y }, 120, 8, 3) },
    ...(strokes === 'all'
      ? [{ page: 0, id: 'short', path: wavePath({ x: x - 50, y: y - 30 }, 20, 1, 1) }]
      : []),
    {
      page: 0,
      id: 'highlight',
      instrument: HIGHLIGHTER,
      path: Array.from({ length: 40 }, (_, k) => ({ x: x - 60 + off + 3 * k, y: y + 30 })),
    },
  ]);
}

/** Makes a copy of what is put and done there, and proves it against what ought to be. */
async function proofOf(bytes: Uint8Array, put: Partial<Put>, did: Partial<Done>) {
  const source = await prepared(bytes, RIGHT);
  const pages = pageRefsFor((await inspectPdf(source)).pages);
  const { said, ...done } = { ...WHOLE, ...did };
  const from = await prepared(bytes, { ...RIGHT, ...put });
  const copy = await makeFixedCopy(from, marked(pages, { said, ...done }), {
    deflate,
    notes: [note(said)],
    notesAt: 'end',
    ...textFiles,
  });
  const { annotatedPages: annotated } = copy;
  const document = marked(pages, WHOLE);
  const { proof } = await prove({ source, document, notes: [note(SAID)], annotated }, copy.bytes);
  return proof;
}

describe.each(DOCUMENTS)('of $name', ({ bytes }) => {
  test('a copy as it ought to be raises no alarm', async () => {
    const proof = await proofOf(await bytes(), {}, {});
    expect(proof.pages.filter(({ alike }) => !alike)).toEqual([]);
    expect(proof.alike).toBe(true);
    expect(proof.pages[0]).toMatchObject({ marks: 3, lost: [] });
  });

  test('a stroke of twenty points that is not there is missed by its name', async () => {
    const proof = await proofOf(await bytes(), {}, { strokes: 'one less' });
    expect(proof.alike).toBe(false);
    expect(proof.pages[0].lost).toContain('short');
  });

  test('a highlight two points off is seen', async () => {
    const proof = await proofOf(await bytes(), {}, { off: 2 });
    expect(proof.alike).toBe(false);
    expect(proof.pages[0].places.length).toBeGreaterThan(0);
  });

  test('a letter missing in a note is told', async () => {
    const proof = await proofOf(await bytes(), {}, { said: SAID.replace('lowest', 'lowet') });
    expect(proof.alike).toBe(false);
    expect(proof.pages.map(({ unread }) => unread).join('')).toBe('s');
    expect(proof.pages[0].alike).toBe(true);
  });

  test('another value in a field, and a picture that lies the other way round, are seen', async () => {
    for (const put of [{ value: 'High water 0.6 m' }, { turned: true }]) {
      const proof = await proofOf(await bytes(), put, {});
      expect(proof.alike).toBe(false);
      expect(proof.pages[0]).toMatchObject({ alike: false, lost: [] });
      expect(proof.pages[0].places.length).toBeGreaterThan(0);
    }
  });
});
