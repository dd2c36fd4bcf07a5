import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { textFiles } from '../cli/faces';
import { drawingOf } from '../core/src/derived';
import {
  type DocState,
  documentOfParts,
  marksOn,
  type Page,
  pagesOfSource,
  samePart,
  turnPage,
} from '../core/src/document';
import { drawingBounds } from '../core/src/drawing';
import { addNote, answerNote, settleNote } from '../core/src/editing';
import { kindFor } from '../core/src/kinds';
import { inspectPdf, makeFixedCopy, makeLivingCopy, openLivingCopy } from '../core/src/pdf';
import { done } from '../core/testing/marks';
import { turnedAndCropped } from '../e2e/support/turnedAndCropped';
import { withEveryMark } from './support/everyMark';
import { deflate } from './support/markedCopy';
import { differingShare, type Picture } from './support/pictures';
import { complaintOfQpdf, textOf, withFile } from './support/programs';
import { READER_NAMES, type ReaderName, READERS } from './support/readers';
import { signaturesOf, signedPdf } from './support/signedPdf';

/**
 * Living copies as other programs see them: qpdf, six readers (support/readers), pdf.js's list of annotations. A fixed copy
 * of the same marks is what they ought to look like.
 */

jest.setTimeout(600_000);

const SHA = 'a'.repeat(64);
const MADE = Date.UTC(2026, 4, 3, 9);
const DPI = 72;
const ALL = process.env.REFERENCES === 'all';
/** Blocks of a page that may differ between a fixed copy and a living one: edges within groups. */
const ALIKE = 0.004;
const ASKED: readonly ReaderName[] = ALL
  ? READER_NAMES
  : ['poppler, Splash', 'MuPDF', 'PDFium', 'pdf.js'];

const sample = (name: string) => async (): Promise<Uint8Array> =>
  new Uint8Array(readFileSync(`demo/documents/${name}.pdf`));
const DOCUMENTS = [
  ...['barnacles', 'rock-pool-zones', 'tide-log', 'handbook']
    .slice(0, ALL ? 4 : 1)
    .map((name) => ({ name, bytes: sample(name) })),
  { name: 'turned and cropped pages', bytes: turnedAndCropped },
];

/** Everything that can be drawn, and notes with an answer, on the first page. */
function marked(pages: readonly Page[]): DocState {
  let state: DocState = { ...withEveryMark(pages.slice(0, 1)), pages };
  const style = { colour: '#a8281a', width: 0.8, opacity: 1 };
  const note = { id: 'n', author: 'Ines Mara', text: 'Is *that* so? – Łódź', style, madeAt: MADE };
  state = done(state, addNote(state, { ...note, about: { mark: firstFigure(state) } }));
  const place = { page: pages[0].id, at: { x: 200, y: 400 } };
  state = done(state, addNote(state, { ...note, id: 'q', text: 'Here.', about: place }));
  for (const id of ['n']) {
    const thread = state.threads.get(id);
    if (!thread) throw new Error('There is no such note.');
    const answer = { id: `${id}-answer`, author: 'Teo', text: 'Yes.', madeAt: MADE + 60_000 };
    state = done(state, answerNote(thread, answer));
    const answered = state.threads.get(id);
    if (!answered) throw new Error('There is no such note.');
    state = done(state, settleNote(answered, 'Ines Mara', MADE + 120_000));
  }
  return state;
}

const firstFigure = (state: DocState): string =>
  [...marksOn(state, state.pages[0].id).values()].find(({ kind }) => kind === 'figure')?.id ?? '';

async function copiesOf(
  bytes: Uint8Array,
  change: (pages: readonly Page[]) => readonly Page[] = (p) => p,
) {
  const boxes = (await inspectPdf(bytes)).pages;
  const document = marked(change(pagesOfSource(SHA, boxes, (k) => `p${k}`)));
  const sources = [{ sha: SHA, bytes }];
  const living = await makeLivingCopy(sources, document, { deflate, madeAt: MADE, ...textFiles });
  const fixed = await makeFixedCopy(sources, document, { deflate, ...textFiles });
  return { document, living, fixed: fixed.bytes };
}

interface Listed {
  readonly subtype: string;
  readonly rect: readonly number[];
  readonly contents: string;
  readonly author: string;
  readonly isAnswer: boolean;
  readonly state: string;
  readonly hasAppearance: boolean;
}
const listedByPdfjs = (bytes: Uint8Array): Listed[][] =>
  withFile(bytes, (path) => {
    const script = join(process.cwd(), 'references/support/annotationsByPdfjs.mjs');
    const { stdout, stderr, status } = spawnSync(process.execPath, [script, path], {
      encoding: 'utf8',
      maxBuffer: 1 << 26,
    });
    if (status !== 0) throw new Error(stderr);
    return JSON.parse(stdout) as Listed[][];
  });

async function drawnBy(name: ReaderName, bytes: Uint8Array): Promise<Picture> {
  const pictures = await withFile(bytes, (path) => READERS[name](path, [1], DPI));
  return pictures.get(1) as Picture;
}

describe.each(DOCUMENTS)('the living copy of $name', ({ bytes }) => {
  test('is sound, holds its source byte for byte, and readers draw it as the fixed copy', async () => {
    const source = await bytes();
    const { living, fixed } = await copiesOf(source);
    expect(living).toMatchObject({ addedTo: true, signatureLost: false });
    expect(living.bytes.subarray(0, source.length)).toEqual(source);
    expect(complaintOfQpdf(living.bytes)).toBeNull();
    // What is typed stands among the words of the first page.
    const further = (file: Uint8Array): string[] => textOf(file).split('\f').slice(1);
    expect(further(living.bytes)).toEqual(further(source));
    for (const name of ASKED) {
      const [as, is] = [await drawnBy(name, fixed), await drawnBy(name, living.bytes)];
      const share = differingShare(as, is);
      console.log(`${name}: ${(100 * share).toFixed(2)} % of blocks differ from the fixed copy`);
      expect(share).toBeLessThan(ALIKE);
    }
  });

  test('lists every mark as the annotation it comes nearest to, at its place, with what is said about it', async () => {
    const source = await bytes();
    const { document, living } = await copiesOf(source);
    const [all] = listedByPdfjs(living.bytes);
    // After those of the source.
    const listed = all.slice(listedByPdfjs(source)[0].length);
    const marks = [...marksOn(document, 'p0').values()];
    const own = listed.filter(({ isAnswer }) => !isAnswer);
    expect(own.map(({ subtype }) => subtype).sort()).toEqual(
      marks.map((mark) => kindFor(mark).annotation(mark).subtype).sort(),
    );
    expect(own.every(({ hasAppearance }) => hasAppearance)).toBe(true);
    for (const mark of marks) {
      const { minX, minY, maxX, maxY } = drawingBounds(drawingOf(mark));
      const near = own.some(({ rect }) =>
        [minX, minY, maxX, maxY].every((n, k) => Math.abs(n - rect[k]) < 12),
      );
      expect({ id: mark.id, near }).toEqual({ id: mark.id, near: true });
    }
    expect(own).toContainEqual(
      expect.objectContaining({ contents: 'Is that so? – Łódź', author: 'Ines Mara' }),
    );
    const answers = listed.filter(({ isAnswer }) => isAnswer);
    expect(answers).toMatchObject([
      { contents: 'Yes.', author: 'Teo', state: '' },
      { author: 'Ines Mara', state: 'Review Completed' },
    ]);
  });

  test('opens with every part as it was, to the last number', async () => {
    const source = await bytes();
    const { document, living } = await copiesOf(source);
    const opened = await openLivingCopy(living.bytes, MADE);
    expect(opened?.source).toEqual(source);
    const again = documentOfParts(document.pages, opened?.parts ?? []);
    expect(sameParts(document, again)).toEqual([]);
  });
});

/** Parts that are not the same in both, by their names and ids. */
function sameParts(a: DocState, b: DocState): string[] {
  const marks = a.pages.flatMap(({ id }) =>
    [...marksOn(a, id)].flatMap(([mark, value]) => {
      const other = marksOn(b, id).get(mark);
      return other && samePart('mark', value, other) ? [] : [mark];
    }),
  );
  const threads = [...a.threads].flatMap(([id, value]) => {
    const other = b.threads.get(id);
    return other && samePart('thread', value, other) ? [] : [id];
  });
  return [...marks, ...threads];
}

test('where pages were turned it is written anew, and opens with its marks on the pages as they are now', async () => {
  const source = await sample('barnacles')();
  const { document, living } = await copiesOf(source, (pages) => [
    turnPage(pages[0], 90),
    ...pages.slice(2),
  ]);
  expect(living).toMatchObject({ addedTo: false, pages: 5 });
  expect(complaintOfQpdf(living.bytes)).toBeNull();
  const opened = await openLivingCopy(living.bytes, MADE);
  if (!opened) throw new Error('It is no living copy.');
  const boxes = (await inspectPdf(opened.source)).pages;
  expect(boxes).toHaveLength(5);
  expect(boxes[0].rotate).toBe(90);
  expect(listedByPdfjs(opened.source).flat()).toEqual(
    listedByPdfjs(source)
      .filter((_, k) => k !== 1)
      .flat(),
  );
  const again = documentOfParts(
    pagesOfSource(SHA, boxes, (k) => `x${k}`),
    opened.parts,
  );
  expect(marksOn(again, 'x0').size).toBe(marksOn(document, 'p0').size);
  expect(again.threads.size).toBe(document.threads.size);
});

test('a signed file stays signed: another program finds the signature valid, and it is said where it is lost', async () => {
  const source = await signedPdf(await sample('barnacles')());
  expect(signaturesOf(source)).toMatch(/Signature is Valid/);
  const { living, fixed } = await copiesOf(source);
  expect(living).toMatchObject({ addedTo: true, signatureLost: false });
  expect(complaintOfQpdf(living.bytes)).toBeNull();
  expect(signaturesOf(living.bytes)).toMatch(/Signature is Valid/);
  expect(() => signaturesOf(fixed)).toThrow();
  const turned = await copiesOf(source, ([first, ...pages]) => [turnPage(first, 90), ...pages]);
  expect(turned.living).toMatchObject({ addedTo: false, signatureLost: true });
});

test('files of others are no living copies; a living copy of one is only added to again', async () => {
  const source = await sample('barnacles')();
  expect(await openLivingCopy(source, MADE)).toBeNull();
  expect((await inspectPdf(source)).living).toBe(false);
  const { living } = await copiesOf(source);
  expect((await inspectPdf(living.bytes)).living).toBe(true);
  // A living copy of a living copy: nothing before the end is touched.
  const twice = await copiesOf(living.bytes);
  expect(twice.living.bytes.subarray(0, living.bytes.length)).toEqual(living.bytes);
  expect(complaintOfQpdf(twice.living.bytes)).toBeNull();
});
