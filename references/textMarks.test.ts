import { readFileSync } from 'node:fs';
import { asWords } from '@marginalis/core/kinds';
import { applyTransaction, emptyDocument, marksOn } from '@marginalis/core/document';
import { markWords } from '@marginalis/core/editing';
import { displayMatrix, type Matrix, transform, type Vec } from '@marginalis/core/geometry';
import type { WordManner } from '@marginalis/core/marks';
import { inspectPdf, makeFixedCopy } from '@marginalis/core/pdf';
import { findInPrint, type Quad } from '@marginalis/core/print';
import { pageRefsFor } from '../core/testing/marks';
import type { Picture } from './support/pictures';
import { printOf, tokensByPoppler } from './support/printBy';
import { pictureBy } from './support/programs';
import { READER_NAMES } from './support/readers';

/** Marks on words in the fixed copy, as other programs draw them: where the words are, and with the print readable. */

jest.setTimeout(240_000);

const DPI = 144;
const MARKED: readonly (readonly [WordManner, string])[] = [
  ['highlight', 'An adult barnacle cannot walk away'],
  ['underline', 'cemented to the rock'],
  ['strike', 'Few animals make a'],
  ['squiggle', 'counting thousands on tiles'],
];
const COLOUR = '#ffd91f';

interface Copy {
  readonly before: Uint8Array;
  readonly after: Uint8Array;
  readonly quads: ReadonlyMap<WordManner, readonly Quad[]>;
  readonly matrix: Matrix;
}

async function copyWithMarks(): Promise<Copy> {
  const before = new Uint8Array(readFileSync('demo/documents/barnacles.pdf'));
  const { pages } = await inspectPdf(before);
  const [print] = await printOf(before, 1);
  let state = emptyDocument(pageRefsFor(pages));
  const [{ id: page }] = state.pages;
  MARKED.forEach(([manner, text], k) => {
    const [range] = findInPrint(print, text);
    const marker = { manner, colour: COLOUR, opacity: 1, widthMm: 0.5 };
    const marking = { id: `m${k}`, page, marker, print, range, madeAt: 5 };
    const transaction = markWords(state, marking);
    const applied = transaction && applyTransaction(state, transaction);
    if (!applied?.ok) throw new Error(`“${text}” could not be marked.`);
    state = applied.state;
  });
  const quads = new Map<WordManner, readonly Quad[]>();
  for (const mark of marksOn(state, page).values()) {
    const words = asWords(mark);
    if (words)
      quads.set(
        words.manner,
        words.strips.map(({ quad }) => quad),
      );
  }
  const { bytes } = await makeFixedCopy(before, state, {});
  return { before, after: bytes, quads, matrix: displayMatrix(pages[0], DPI / 72) };
}

const copy = copyWithMarks();

/** The pixels within a quadrilateral that stands upright. */
function* within({ width, data }: Picture, quad: Quad, matrix: Matrix): Generator<number[]> {
  const corners: Vec[] = quad.map((p) => transform(matrix, p));
  const [xs, ys] = [corners.map(({ x }) => x), corners.map(({ y }) => y)];
  for (let y = Math.ceil(Math.min(...ys)); y < Math.max(...ys) - 1; y++)
    for (let x = Math.ceil(Math.min(...xs)); x < Math.max(...xs) - 1; x++)
      yield [...data.subarray(4 * (y * width + x), 4 * (y * width + x) + 3)];
}

const isYellow = ([r, g, b]: readonly number[]): boolean => r > 180 && g > 150 && b < 120;
const isDark = (pixel: readonly number[]): boolean => Math.max(...pixel) < 110;

test.each(READER_NAMES)(
  '%s draws marks on words where they are, and the words with them',
  async (name) => {
    const { before, after, quads, matrix } = await copy;
    const [plain, marked] = [
      await pictureBy(name, before, 1, DPI),
      await pictureBy(name, after, 1, DPI),
    ];
    const share = (manner: WordManner): { yellow: number; dark: number; darkBefore: number } => {
      const all = (picture: Picture) =>
        [...(quads.get(manner) ?? [])].flatMap((quad) => [...within(picture, quad, matrix)]);
      const [now, then] = [all(marked), all(plain)];
      return {
        yellow: now.filter(isYellow).length / now.length,
        dark: now.filter(isDark).length,
        darkBefore: then.filter(isDark).length,
      };
    };
    const highlight = share('highlight');
    // All but the letters, and their edges.
    expect(highlight.yellow).toBeGreaterThan(0.6);
    expect(highlight.dark).toBeGreaterThan(0.9 * highlight.darkBefore);
    for (const manner of ['underline', 'strike', 'squiggle'] as const) {
      const { yellow, dark, darkBefore } = share(manner);
      expect([manner, yellow > 0.02 && yellow < 0.25]).toEqual([manner, true]);
      expect(dark).toBeGreaterThan(0.6 * darkBefore);
    }
  },
);

test('the words of the copy are read as before', async () => {
  const { before, after } = await copy;
  expect(tokensByPoppler(after, 1)).toEqual(tokensByPoppler(before, 1));
});
