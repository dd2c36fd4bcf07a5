import { readFileSync } from 'node:fs';
import { degrees, PDFDocument } from '@cantoo/pdf-lib';
import { PNG } from 'pngjs';
import { prove } from '../cli/proving';
import { textFiles } from '../cli/faces';
import type { CopyNote, NotesAt } from '../core/src/copy';
import {
  type Attachment,
  type DocState,
  marksOn,
  type Page,
  paperPage,
} from '../core/src/document';
import { removeMarks } from '../core/src/editing';
import { partOf } from '../core/src/leaving';
import { PATTERNS, usualRuling } from '../core/src/paper';
import { inspectPdf, makeFixedCopy, type Source } from '../core/src/pdf';
import { createCanvas } from '@napi-rs/canvas';
import { wavePath } from '../core/testing/hand';
import { done, HIGHLIGHTER, pageRefsFor, written } from '../core/testing/marks';
import { turnedAndCropped } from '../e2e/support/turnedAndCropped';
import { withEveryMark } from './support/everyMark';
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
    .slice(0, ALL ? 5 : 1)
    .map((name) => ({ name, bytes: sample(name) })),
  { name: 'turned and cropped pages', bytes: turnedAndCropped },
  ...realPdfs()
    .slice(0, ALL ? undefined : 1)
    .map((real) => ({ name: real.name, bytes: async () => realPdf(real) })),
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

const CUTTING = { id: 'cutting', name: 'Cutting of page 1', width: 600, height: 400 };

/** A picture as a task carries one: a gradient with lines of writing. */
function cutting(): Attachment {
  const { width, height } = CUTTING;
  const canvas = createCanvas(width, height);
  const ctx = canvas.getContext('2d');
  const ground = ctx.createLinearGradient(0, 0, width, height);
  ground.addColorStop(0, '#fffbe8');
  ground.addColorStop(1, '#7a93b5');
  ctx.fillStyle = ground;
  ctx.fillRect(0, 0, width, height);
  ctx.fillStyle = '#1c2333';
  for (let k = 0; k < 120; k++)
    ctx.fillRect(20 + (k % 12) * 47, 20 + Math.floor(k / 12) * 38, 30, 9);
  const data = canvas.toBuffer('image/jpeg', 85).toString('base64');
  return { ...CUTTING, type: 'image/jpeg', data };
}

describe('of everything that can be drawn', () => {
  const size = { width: 595, height: 842 };
  const pages = PATTERNS.map((pattern, k) => paperPage(`p${k}`, k, size, usualRuling(pattern)));
  const document = withEveryMark(pages);
  const notes = [0, 1, 2].map((page): CopyNote => ({
    ...note(`${SAID} ${'Barnacles settle where others have settled. '.repeat(8)}`),
    number: page + 1,
    place: { page, at: { x: 300, y: 500 }, inMargin: true },
    labels: ['To measure'],
    picture:
      page === 0 ? { source: 'cutting', width: CUTTING.width, height: CUTTING.height } : null,
  }));
  const state = { ...document, attachments: new Map([['cutting', cutting()]]) };
  const copyOf = async (of: DocState, notesAt: NotesAt) => {
    const sources: Source[] = [];
    return (await makeFixedCopy(sources, of, { deflate, notes, notesAt, ...textFiles })).bytes;
  };

  test.each(['beside', 'end'] as const)('a copy raises no alarm, notes %s', async (notesAt) => {
    const copy = await copyOf(state, notesAt);
    const source = new Uint8Array(readFileSync('demo/documents/tide-log.pdf'));
    const { proof } = await prove({ source, document: state, notes, notesAt, annotated: [] }, copy);
    expect(proof.pages.filter(({ alike }) => !alike)).toEqual([]);
    expect(proof.pages.every(({ marks, index }) => index > 3 || marks > 20)).toBe(true);
  });

  test('each mark that is left out is missed, and no other', async () => {
    const source = new Uint8Array(readFileSync('demo/documents/tide-log.pdf'));
    const [first] = pages;
    const one = partOf(document, [0]);
    const all = [...marksOn(document, first.id).keys()];
    for (const id of ALL ? all : all.filter((_, k) => k % 4 === 0)) {
      const copy = await copyOf(done(one, removeMarks(one, [id])), 'end');
      const { proof } = await prove({ source, document: one, notes, annotated: [] }, copy);
      expect(proof.alike).toBe(false);
      expect(proof.pages[0].lost).toEqual([id]);
    }
  });
});
