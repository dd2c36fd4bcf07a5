import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { type PDFArray, type PDFDict, PDFDocument, PDFName } from '@cantoo/pdf-lib';
import { textFiles } from '../cli/faces';
import {
  type DocState,
  documentOfParts,
  emptyDocument,
  pagesOfSource,
  type Thread,
} from '../core/src/document';
import { addNote } from '../core/src/editing';
import { boundsOf } from '../core/src/derived';
import { asFigure, type Mark } from '../core/src/kinds';
import { inspectPdf, makeLivingCopy, openLivingCopy } from '../core/src/pdf';
import { annotatedPdf, shorePdf } from '../core/testing/annotatedPdf';
import { alongCorners } from '../core/testing/hand';
import { done, written } from '../core/testing/marks';
import { withEveryMark } from './support/everyMark';
import { deflate } from './support/markedCopy';
import { withFile } from './support/programs';
import { REWRITTEN } from './support/writers';

/** What other programs do to a living copy is told when it comes back: MuPDF (its own script), qpdf, and one that takes all names away. */

jest.setTimeout(300_000);

const SHA = 'a'.repeat(64);
const MADE = Date.UTC(2026, 9, 1, 9);
const base = (id: string, order: number) => ({
  ...{ id, page: '0', order, madeAt: MADE, author: 'Ines Mara' },
  style: { colour: '#0f7566', width: 2, opacity: 1 },
});

/** A page with a figure, a highlight that something is said about, ink, and a box of text. */
async function copyOf(source: Uint8Array): Promise<{ document: DocState; bytes: Uint8Array }> {
  const pages = pagesOfSource(SHA, (await inspectPdf(source)).pages, String);
  const figure = { kind: 'rectangle', angle: 0, centre: { x: 360, y: 200 } } as const;
  const quad = [
    { x: 72, y: 712 },
    { x: 172, y: 712 },
    { x: 72, y: 696 },
    { x: 172, y: 696 },
  ] as const;
  const marks: Mark[] = [
    {
      ...base('moved', 1),
      ...{ kind: 'figure', figure: { ...figure, width: 80, height: 40 } },
      ...{ dash: 'none', fill: null, from: [] },
    },
    {
      ...base('said', 2),
      ...{ kind: 'words', manner: 'highlight', before: '', after: '' },
      strips: [{ quad, words: [{ text: 'Barnacles', from: 0, to: 0.9 }] }],
    },
  ];
  const line = alongCorners([
    { x: 300, y: 100 },
    { x: 400, y: 120 },
  ]);
  const inks = [...written(pages, [{ page: 0, path: line }]).marks.values()].flatMap((on) => [
    ...on.values(),
  ]);
  let document = documentOfParts(pages, [
    ...pages.map((value) => ({ part: 'page', value }) as const),
    ...marks.map((value) => ({ part: 'mark', value }) as const),
    ...inks.map((ink) => ({ part: 'mark', value: { ...ink, id: 'gone', page: '0' } }) as const),
  ]);
  const style = { colour: '#a8281a', width: 1, opacity: 1 };
  const note = { id: 'n', author: 'Ines Mara', text: 'Is *that* so?', style, madeAt: MADE };
  document = done(document, addNote(document, { ...note, about: { mark: 'said' } }));
  const copy = await makeLivingCopy([{ sha: SHA, bytes: source }], document, {
    ...{ deflate, madeAt: MADE },
    ...textFiles,
  });
  return { document, bytes: copy.bytes };
}

function further(bytes: Uint8Array, how: string): Uint8Array {
  return withFile(bytes, (path) => {
    const to = `${path}.further.pdf`;
    const script = 'references/support/annotate/furtherWithMupdf.js';
    const { status, stderr } = spawnSync('mutool', ['run', script, path, to, how], {
      encoding: 'utf8',
    });
    if (status !== 0) throw new Error(stderr);
    return new Uint8Array(readFileSync(to));
  });
}

async function opened(bytes: Uint8Array) {
  const copy = await openLivingCopy(bytes, MADE + 1);
  if (!copy) throw new Error('It is no living copy.');
  return copy;
}

test.each(Object.keys(REWRITTEN))(
  'a copy that is only written %s is as it was sent',
  async (how) => {
    for (const source of [await shorePdf(), await annotatedPdf()]) {
      const { bytes } = await copyOf(source);
      const { elsewhere } = await opened(REWRITTEN[how](bytes));
      expect(elsewhere).toMatchObject({ changes: [], added: 0, changed: 0, removed: 0, left: [] });
    }
  },
);

test('every kind of mark comes back as it was sent', async () => {
  const source = await shorePdf();
  const pages = pagesOfSource(SHA, (await inspectPdf(source)).pages, String);
  const document = { ...emptyDocument(pages), ...withEveryMark(pages), pages };
  const copy = await makeLivingCopy([{ sha: SHA, bytes: source }], document, {
    ...{ deflate, madeAt: MADE },
    ...textFiles,
  });
  const { elsewhere } = await opened(copy.bytes);
  expect(elsewhere).toMatchObject({ changes: [], left: [] });
});

test.each([
  ['added to', 'incremental'],
  ['written anew', ''],
])('what is new, changed and gone in a copy that was %s is told', async (_, how) => {
  for (const source of [await shorePdf(), await annotatedPdf()]) {
    const { document, bytes } = await copyOf(source);
    const { elsewhere } = await opened(further(bytes, how));
    expect(elsewhere).toMatchObject({ added: 1, changed: 2, removed: 1, authors: ['Tom Ferrier'] });
    const by = new Map(elsewhere.changes.map((change) => [change.id, change]));
    expect(by.get('gone')?.after).toBeNull();
    const before = document.marks.get('0')?.get('moved') as Mark;
    const after = by.get('moved')?.after as Mark;
    expect(asFigure(after)?.figure.kind).toBe('rectangle');
    expect(boundsOf(after).minX - boundsOf(before).minX).toBeCloseTo(30, 0);
    expect(by.get('n')?.after).toMatchObject({
      remarks: [{ text: 'Is that still so?', author: 'Ines Mara', editedAt: 1_795_000_000_000 }],
    } satisfies Partial<{ remarks: Partial<Thread['remarks'][number]>[] }>);
    const added = elsewhere.changes.filter((change) => change.before === null);
    expect(added).toMatchObject([
      { part: 'mark', after: { kind: 'ink', author: 'Tom Ferrier', page: '0' } },
    ]);
  }
});

test('where a program has taken all names away nothing is taken for new, or for gone', async () => {
  const { bytes } = await copyOf(await annotatedPdf());
  const doc = await PDFDocument.load(bytes);
  const list = doc.getPage(0).node.lookup(PDFName.of('Annots')) as PDFArray;
  for (let k = 0; k < list.size(); k++) (list.lookup(k) as PDFDict).delete(PDFName.of('NM'));
  const all = await opened(await doc.save());
  expect(all.elsewhere).toMatchObject({ changes: [], left: [] });
  // One is gone as well: without names nobody can say which program took it out.
  list.remove(list.size() - 1);
  const less = await opened(await doc.save());
  expect(less.elsewhere).toMatchObject({ removed: 0, left: [] });
  // The source has what it had, and nothing of ours.
  const { written: left } = await inspectPdf(less.source);
  expect(left?.count).toBe(11);
});
