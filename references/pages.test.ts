import { readFileSync } from 'node:fs';
import {
  cropPage,
  type DocState,
  emptyDocument,
  type Page,
  pagesOfSource,
  type Transaction,
  turnPage,
} from '@marginalis/core/document';
import {
  addPaper,
  cropPages,
  duplicatePages,
  reversePages,
  turnPages,
} from '@marginalis/core/editing';
import { partOf } from '@marginalis/core/leaving';
import { usualRuling } from '@marginalis/core/paper';
import { inspectPdf, makeFixedCopy } from '@marginalis/core/pdf';
import { prove } from '../cli/proving';
import { done } from '../core/testing/marks';
import { deflate } from './support/markedCopy';
import { realPdf, realPdfs } from './support/realPdfs';
import { differingShare } from './support/pictures';
import {
  complaintOfQpdf,
  linksOf,
  newComplaints,
  objectsOf,
  outlineAndLabels,
  pictureBy,
  streamsOf,
  textOf,
} from './support/programs';

/** Pages that come between those of a source, change places, are turned or cut down: read by qpdf, poppler and MuPDF. */

const sample = (name: string): Uint8Array =>
  new Uint8Array(readFileSync(`demo/documents/${name}.pdf`));
const HANDBOOK = sample('handbook');
const SHA = 'a'.repeat(64);

async function pagesOf(bytes: Uint8Array, sha = SHA): Promise<Page[]> {
  const { pages } = await inspectPdf(bytes);
  return pagesOfSource(sha, pages, (i) => `${sha[0]}${i}`);
}

/** The handbook with a ruled page after each of these (from 0). */
async function withPaper(after: readonly number[]): Promise<DocState> {
  const start = emptyDocument(await pagesOf(HANDBOOK));
  return after.reduce(
    (state, n) => done(state, addPaper(state, `a${n}`, usualRuling('ruled'), `paper ${n}`)),
    start,
  );
}

test('links, outline and labels lead where they led, whatever comes between', async () => {
  const document = await withPaper([1, 2, 20, document0.length - 1]);
  const copy = await makeFixedCopy(HANDBOOK, document);
  expect(complaintOfQpdf(copy.bytes)).toBeNull();
  expect(newComplaints(HANDBOOK, copy.bytes)).toEqual([]);
  expect(copy.pages).toBe(document.pages.length);
  /** Where a page of the source (from 1) is now. */
  const nowAt = (page: number): number =>
    document.pages.findIndex(({ id }) => id === `a${page - 1}`) + 1;
  const [was, is] = [outlineAndLabels(HANDBOOK), outlineAndLabels(copy.bytes)];
  expect(was.outline.length).toBeGreaterThan(5);
  expect(is.outline).toEqual(was.outline.map(({ title, page }) => ({ title, page: nowAt(page) })));
  was.labels.forEach((label, i) => expect(is.labels[nowAt(i + 1) - 1]).toEqual(label));
  const [linksWere, linksAre] = [linksOf(HANDBOOK), linksOf(copy.bytes)];
  expect(linksWere.length).toBeGreaterThan(5);
  expect(linksAre).toEqual(
    linksWere.map(({ on, text, to }) => ({ on: nowAt(on), text, to: nowAt(to) })),
  );
  // A page put in carries the label before it and a letter.
  const put = document.pages.findIndex(({ id }) => id === 'paper 2');
  expect(was.labels[2]).toEqual({ '/S': '/D', '/St': 1 });
  expect(is.labels[put]).toEqual({ '/P': 'u:1', '/S': '/a', '/St': 1 });
});

test('of some pages the copy says nothing of the others: no entries, no links, no words', async () => {
  const document = partOf(emptyDocument(await pagesOf(HANDBOOK)), [4, 5, 6]);
  const { bytes } = await makeFixedCopy(HANDBOOK, document);
  expect(complaintOfQpdf(bytes)).toBeNull();
  expect(newComplaints(HANDBOOK, bytes)).toEqual([]);
  const [was, is] = [outlineAndLabels(HANDBOOK), outlineAndLabels(bytes)];
  const there = was.outline.filter(({ page }) => page >= 5 && page <= 7);
  const leading = is.outline.filter(({ page }) => page > 0);
  expect(leading).toEqual(there.map(({ title, page }) => ({ title, page: page - 4 })));
  expect(linksOf(bytes)).toEqual(
    linksOf(HANDBOOK)
      .filter(({ on, to }) => [on, to].every((page) => page >= 5 && page <= 7))
      .map(({ on, text, to }) => ({ on: on - 4, text, to: to - 4 })),
  );
  const said = `${objectsOf(bytes)}${textOf(bytes)}`;
  const gone = was.outline.filter(
    ({ title, page }) => (page < 5 || page > 7) && !is.outline.some((one) => one.title === title),
  );
  expect(gone.length).toBeGreaterThan(3);
  for (const { title } of gone) {
    expect(objectsOf(HANDBOOK)).toContain(title);
    expect(said).not.toContain(title);
  }
});

let document0: Page[] = [];
beforeAll(async () => {
  document0 = await pagesOf(HANDBOOK);
});

test('pages that did not change are drawn as they were; paper shows its lines', async () => {
  const document = await withPaper([0]);
  const copy = await makeFixedCopy(HANDBOOK, document);
  for (const reader of ['poppler, Splash', 'MuPDF', 'PDFium'] as const) {
    const [was, is] = await Promise.all([
      pictureBy(reader, HANDBOOK, 2, 60),
      pictureBy(reader, copy.bytes, 3, 60),
    ]);
    expect(differingShare(was, is)).toBe(0);
    const paper = await pictureBy(reader, copy.bytes, 2, 144);
    const { width, height, data } = paper;
    /** Rows that are darker than paper in the middle of the page. */
    const rows = Array.from(
      { length: height },
      (_, y) => data[4 * (y * width + (width >> 1))] < 240,
    );
    const lines = rows.filter((dark, y) => dark && !rows[y - 1]).length;
    expect(lines).toBe(Math.floor((document.pages[1].box.maxY - 2.5 * 22.677) / 22.677 + 0.5));
  }
});

test('pages can change places, go, be turned and cut down; what went is not in the bytes', async () => {
  const pages = document0;
  const [first, , third, ...others] = pages;
  const order = [third, first, ...others].map((page, i) => ({ ...page, order: i }));
  const turned = turnPage(order[0], 90);
  const { minX, minY, maxX, maxY } = order[1].sheet;
  const cut = cropPage(order[1], { minX, minY: (minY + maxY) / 2, maxX, maxY });
  const document = emptyDocument([turned, cut, ...order.slice(2)]);
  const copy = await makeFixedCopy(HANDBOOK, document);
  expect(complaintOfQpdf(copy.bytes)).toBeNull();
  expect(copy.pages).toBe(pages.length - 1);
  const words = (bytes: Uint8Array): string[] => textOf(bytes).split('\f');
  const [was, is] = [words(HANDBOOK), words(copy.bytes)];
  expect(is[2]).toBe(was[3]);
  const still = new Set(streamsOf(copy.bytes).values());
  const lost = [...streamsOf(HANDBOOK).values()].filter((data) => !still.has(data));
  // The content of the page that went, and nothing else.
  expect(lost).toHaveLength(1);
  expect(Buffer.from(lost[0], 'base64').toString('latin1')).toContain('BT');
  const [a, b] = await Promise.all([
    pictureBy('PDFium', copy.bytes, 1, 40),
    pictureBy('PDFium', copy.bytes, 2, 40),
  ]);
  expect(a.width).toBeGreaterThan(a.height);
  expect(b.height).toBeLessThan(0.8 * b.width);
});

test('pages of another source, and one shown twice, come in', async () => {
  const other = sample('rock-pool-zones');
  const B = 'b'.repeat(64);
  const [one, two] = await pagesOf(other, B);
  const pages = [document0[0], one, { ...document0[0], id: 'again' }, two];
  const document = emptyDocument(pages.map((page, order) => ({ ...page, order })));
  const copy = await makeFixedCopy(
    [
      { sha: SHA, bytes: HANDBOOK },
      { sha: B, bytes: other },
    ],
    document,
  );
  expect(complaintOfQpdf(copy.bytes)).toBeNull();
  const words = textOf(copy.bytes).split('\f');
  expect(words[0]).toBe(words[2]);
  expect(words[1]).toBe(textOf(other).split('\f')[0]);
  await expect(makeFixedCopy([{ sha: SHA, bytes: HANDBOOK }], document)).rejects.toThrow(
    'not at hand',
  );
});

test('pages that were arranged are proved, however they are turned: no false alarm', async () => {
  const sources = [
    ...['barnacles', 'rock-pool-zones', 'tide-log'].map(sample),
    ...realPdfs().map(realPdf),
  ];
  for (const bytes of sources) {
    const all = emptyDocument((await pagesOf(bytes)).slice(0, 8));
    const ids = all.pages.map(({ id }) => id);
    let count = 0;
    const steps: ((state: DocState) => Transaction | null)[] = [
      (state) => turnPages(state, ids.slice(0, 3), 90),
      (state) => turnPages(state, ids.slice(2, 4), 180),
      (state) => turnPages(state, ids.slice(4, 5), 270),
      (state) => duplicatePages(state, ids.slice(0, 2), () => `copy ${count++}`),
      (state) => cropPages(state, ids.slice(1, 3), { top: 40, right: 20, bottom: 0, left: 30 }),
      (state) => reversePages(state, ids),
    ];
    const document = steps.reduce((state, make) => {
      const transaction = make(state);
      return transaction ? done(state, transaction) : state;
    }, all);
    const { bytes: copy } = await makeFixedCopy(bytes, document, { deflate });
    const { proof } = await prove({ source: bytes, document }, copy);
    expect(proof).toMatchObject({ alike: true });
  }
});
