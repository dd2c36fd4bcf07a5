import { readFileSync } from 'node:fs';
import { decodePDFRawStream, PDFDocument, type PDFPage, PDFRawStream, rgb } from '@cantoo/pdf-lib';
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
  numberPages,
  reversePages,
  turnPages,
  widenPages,
} from '@marginalis/core/editing';
import { partOf, splitEvery } from '@marginalis/core/leaving';
import { usualRuling } from '@marginalis/core/paper';
import { inspectPdf, makeFixedCopy, makeLivingCopy, openLivingCopy } from '@marginalis/core/pdf';
import { textFiles } from '../cli/faces';
import { prove } from '../cli/proving';
import { done } from '../core/testing/marks';
import { waysByPdfjs } from './support/waysByPdfjs';
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

test('numberings of one’s own are page labels (ISO 32000-1 §12.4.2), in fixed and living copies, and living ones give the file’s back', async () => {
  const start = emptyDocument(await pagesOf(HANDBOOK));
  const roman = done(start, numberPages(start, 'a4', { style: 'ROMAN', prefix: 'B ', first: 3 }));
  const document = done(
    roman,
    numberPages(roman, 'a6', { style: 'none', prefix: 'Map', first: 1 }),
  );
  const fixed = await makeFixedCopy(HANDBOOK, document);
  const source = { sha: SHA, bytes: HANDBOOK };
  const living = await makeLivingCopy([source], document, { madeAt: 1, deflate });
  expect(living.addedTo).toBe(true);
  const was = outlineAndLabels(HANDBOOK).labels;
  for (const { bytes } of [fixed, living]) {
    expect(complaintOfQpdf(bytes)).toBeNull();
    const { labels } = outlineAndLabels(bytes);
    expect(labels.slice(0, 4)).toEqual(was.slice(0, 4));
    expect(labels[4]).toMatchObject({ '/S': '/R', '/P': 'u:B ', '/St': 3 });
    expect(labels[5]).toMatchObject({ '/S': '/R', '/P': 'u:B ', '/St': 4 });
    expect(labels[6]).toMatchObject({ '/P': 'u:Map' });
  }
  const opened = await openLivingCopy(living.bytes, 2);
  expect(outlineAndLabels(opened?.source ?? new Uint8Array()).labels).toEqual(was);
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

const content = (page: PDFPage): string => {
  const streams = page.node.normalizedEntries().Contents?.asArray() ?? [];
  return streams
    .map((ref) => page.doc.context.lookup(ref))
    .map((stream) =>
      stream instanceof PDFRawStream
        ? Buffer.from(decodePDFRawStream(stream).decode()).toString('latin1').trim()
        : '',
    )
    .filter((text) => text !== '')
    .join('\n');
};
const contentsOf = async (bytes: Uint8Array): Promise<string[]> =>
  (await PDFDocument.load(bytes, { updateMetadata: false })).getPages().map(content);

/** Several sources as one document, all their pages in order. */
async function joined(files: readonly Uint8Array[]) {
  const sources = files.map((bytes, k) => ({ sha: 'abcdef'[k].repeat(64), bytes }));
  const pages = await Promise.all(sources.map(({ bytes, sha }) => pagesOf(bytes, sha)));
  const document = emptyDocument(pages.flat().map((page, order) => ({ ...page, order })));
  return { sources, document };
}

test('documents put together of three sources are sound, read page by page as these do, and are no larger', async () => {
  const sets = [
    ['handbook', 'barnacles', 'tide-log'].map(sample),
    ['rock-pool-zones', 'handbook', 'tide-log'].map(sample),
  ];
  const [first, second] = realPdfs().map(realPdf);
  sets.push([sample('rock-pool-zones'), first, second]);
  for (const files of sets) {
    const { sources, document } = await joined(files);
    const { bytes } = await makeFixedCopy(sources, document, { deflate });
    expect(complaintOfQpdf(bytes)).toBeNull();
    const words = (one: Uint8Array): string[] => textOf(one).split('\f').slice(0, -1);
    expect(words(bytes)).toEqual(files.flatMap(words));
    const sum = files.reduce((size, one) => size + one.length, 0);
    expect(bytes.length / sum).toBeLessThan(1.02);
    // Each file's links and outline lead to its own pages, as pdf.js reads them; its labels go with them, as qpdf does.
    const { labels } = outlineAndLabels(bytes);
    const wanted = { links: [] as unknown[], outline: [] as unknown[], labels: [] as unknown[] };
    for (const file of files) {
      const before = wanted.links.length;
      const came = waysByPdfjs(file);
      const there = <T extends { page: number | null }>(at: T): T => ({
        ...at,
        page: at.page === null ? null : at.page + before,
      });
      wanted.links.push(
        ...came.pages.map((links) =>
          links.map((link) => ({ ...link, place: link.place && there(link.place) })),
        ),
      );
      wanted.outline.push(...came.outline.map(there));
      wanted.labels.push(...outlineAndLabels(file).labels);
    }
    const { pages, outline } = waysByPdfjs(bytes);
    expect(pages).toEqual(wanted.links);
    expect(outline).toEqual(wanted.outline);
    const hasLabels = wanted.labels.some((label) => label !== null);
    expect(labels).toEqual(
      wanted.labels.map((label, k) => label ?? (hasLabels ? { '/S': '/D', '/St': k + 1 } : null)),
    );
  }
});

test('what was split and is joined again has the contents of its pages byte for byte', async () => {
  for (const bytes of [HANDBOOK, sample('barnacles'), realPdf(realPdfs()[0])]) {
    const whole = emptyDocument(await pagesOf(bytes));
    const source = [{ sha: SHA, bytes }];
    const parts = await Promise.all(
      splitEvery(whole.pages.length, Math.ceil(whole.pages.length / 3)).map(async ({ pages }) => {
        const part = await makeFixedCopy(source, partOf(whole, pages), { deflate });
        return part.bytes;
      }),
    );
    const { sources, document } = await joined(parts);
    const again = await makeFixedCopy(sources, document, { deflate });
    expect(complaintOfQpdf(again.bytes)).toBeNull();
    expect(await contentsOf(again.bytes)).toEqual(await contentsOf(bytes));
  }
});

test('pages that are had twice stand in the file once; a form among them is filled in and leaves', async () => {
  const twice = async (bytes: Uint8Array): Promise<DocState> => {
    const pages = await pagesOf(bytes);
    return emptyDocument(
      pages.flatMap((page, k) => [
        { ...page, order: 2 * k },
        { ...page, id: `${page.id} again`, order: 2 * k + 1 },
      ]),
    );
  };
  const document = await twice(HANDBOOK);
  const { bytes } = await makeFixedCopy(HANDBOOK, document, { deflate });
  expect(complaintOfQpdf(bytes)).toBeNull();
  // The objects of the pages and their links; with their faces it would be many times as large.
  expect(bytes.length / HANDBOOK.length).toBeLessThan(1.5);
  const words = textOf(HANDBOOK).split('\f').slice(0, -1);
  expect(textOf(bytes).split('\f').slice(0, -1)).toEqual(words.flatMap((one) => [one, one]));
  expect(linksOf(bytes).length).toBe(2 * linksOf(HANDBOOK).length);
  for (const form of [sample('loan-form'), sample('equipment-form')]) {
    const forms = await twice(form);
    const copy = await makeFixedCopy(form, forms, { deflate, ...textFiles });
    expect(complaintOfQpdf(copy.bytes)).toBeNull();
    const { proof } = await prove({ source: form, document: forms }, copy.bytes);
    expect(proof.alike).toBe(true);
    const living = await makeLivingCopy([{ sha: SHA, bytes: form }], forms, {
      ...{ deflate, madeAt: 0 },
      ...textFiles,
    });
    expect(complaintOfQpdf(living.bytes)).toBeNull();
  }
});

test('a page that is widened shows what it showed, where it was, and nothing of what lies beyond it', async () => {
  const doc = await PDFDocument.create();
  const page = doc.addPage([400, 600]);
  page.drawRectangle({ x: 0, y: 0, width: 400, height: 600, color: rgb(0.8, 0.85, 0.95) });
  page.drawText('Barnacles', { x: 120, y: 300, size: 30 });
  page.setCropBox(50, 60, 300, 500);
  const bytes = await doc.save();
  const state = emptyDocument(await pagesOf(bytes));
  for (const turn of [null, 90] as const) {
    const turned = turn ? done(state, turnPages(state, ['a0'], turn)) : state;
    const room = { top: 0, right: 120, bottom: 0, left: 40 };
    const widening = widenPages(turned, ['a0'], room);
    if (!widening) throw new Error('It is not widened.');
    const wide = done(turned, widening);
    const sources = [{ sha: SHA, bytes }];
    const copies = [
      (await makeFixedCopy(sources, wide, { deflate })).bytes,
      (await makeLivingCopy(sources, wide, { deflate, madeAt: 0 })).bytes,
    ];
    for (const [k, copy] of copies.entries()) {
      expect(complaintOfQpdf(copy)).toBeNull();
      expect(textOf(copy)).toContain('Barnacles');
      const { proof } = await prove({ source: bytes, document: wide, living: k === 1 }, copy);
      expect(proof).toMatchObject({ alike: true, pages: [{ index: 0 }] });
      for (const reader of ['poppler, Splash', 'MuPDF', 'PDFium'] as const) {
        const { width, height, data } = await pictureBy(reader, copy, 1, 72);
        expect([width, height]).toEqual(turn ? [660, 300] : [460, 500]);
        const at = (x: number, y: number): number => data[4 * (y * width + x)];
        // Blue on the page, white in the room at both sides.
        expect([at(42, 150) < 230, at(width - 124, 150) < 230]).toEqual([true, true]);
        expect([at(36, 150), at(width - 116, 150)]).toEqual([255, 255]);
      }
    }
  }
});
