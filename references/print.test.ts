import { readFileSync } from 'node:fs';
import { type Box, displayMatrix, transformBox } from '@marginalis/core/geometry';
import { inspectPdf } from '@marginalis/core/pdf';
import { findInPrint, quadsOf } from '@marginalis/core/print';
import { READING } from '../demo/content/reading';
import { pictureBy } from './support/programs';
import { boxesByPoppler, inSameOrder, printOf, tokensByPoppler, tokensOf } from './support/printBy';
import { type RealPdf, realPdf, realPdfs } from './support/realPdfs';

/** Words, their order and their places, against poppler's pdftotext (Debian package poppler-utils). */

jest.setTimeout(240_000);

const demo = (name: string): Uint8Array =>
  new Uint8Array(readFileSync(`demo/documents/${name}.pdf`));
const DEMOS = ['barnacles', 'handbook', 'rock-pool-zones'];
/** Pages of a document that are read, from the first. */
const PAGES = 12;

/** Words poppler reads, and how many of them we read in the same order. */
async function agreement(bytes: Uint8Array): Promise<{ all: number; same: number; loose: number }> {
  const prints = await printOf(bytes, PAGES);
  const sum = { all: 0, same: 0, loose: 0 };
  prints.forEach((print, page) => {
    const [ours, theirs] = [tokensOf(print), tokensByPoppler(bytes, page + 1)];
    sum.all += theirs.length;
    sum.same += inSameOrder(ours, theirs);
    const left = new Map<string, number>();
    for (const word of ours) left.set(word, (left.get(word) ?? 0) + 1);
    for (const word of theirs) {
      const n = left.get(word) ?? 0;
      if (n > 0) sum.loose++;
      left.set(word, n - 1);
    }
  });
  return sum;
}

test('the reading in two columns is read as it was written', async () => {
  const written = READING.flatMap(({ heading, paragraphs }) => [heading, ...paragraphs])
    .join(' ')
    .split(/\s+/);
  const prints = await printOf(demo('barnacles'));
  const same = inSameOrder(prints.flatMap(tokensOf), written);
  console.log(`reading: ${same} of ${written.length} words as they were written`);
  expect(same / written.length).toBeGreaterThan(0.985);
});

/**
 * Of these poppler has the same words. It goes on from line to line across the gutter of the reading, which is set with much space between lines, and
 * reads the table of the worksheet row by row.
 */
test.each([
  ['barnacles', 0.7],
  ['handbook', 0.985],
  ['rock-pool-zones', 0.94],
])('the %s has the words that poppler finds', async (name, order) => {
  const { all, same, loose } = await agreement(demo(name));
  console.log(`${name}: of ${all} words ${same} in the same order, ${loose} at all`);
  expect(loose / all).toBeGreaterThan(0.995);
  expect(same / all).toBeGreaterThan(order);
});

/**
 * Shares of words in the same order, and of words that both have at all. What is less than all is explained by kind: poppler reads contents and
 * other tables column by column where we read lines, puts a space between a word and its raised or lowered mark, and reads what stands
 * between columns where the file draws it.
 */
const OTHERS: Readonly<Record<string, readonly [number, number]>> = {
  'drawing program how-to': [0.985, 0.99],
  'shell manual': [0.985, 0.99],
  'statistics introduction': [0.98, 0.99],
  'policy manual': [0.97, 0.99],
  'numeric language manual': [0.97, 0.99],
};
const others = realPdfs().filter(({ name }) => name in OTHERS);

test.each(others.map((pdf): [string, RealPdf] => [pdf.name, pdf]))(
  'words of the %s',
  async (name, pdf) => {
    const { all, same, loose } = await agreement(realPdf(pdf));
    const [order, words] = OTHERS[name];
    console.log(`${name}: of ${all} words ${same} in the same order, ${loose} at all`);
    expect(same / all).toBeGreaterThan(order);
    expect(loose / all).toBeGreaterThan(words);
  },
);

test('boxes of words are where poppler has them, within half a point', async () => {
  const files = [...DEMOS.map(demo), ...others.map(realPdf)];
  let [all, near] = [0, 0];
  for (const bytes of files) {
    const { pages } = await inspectPdf(bytes);
    const prints = await printOf(bytes, PAGES);
    prints.forEach((print, k) => {
      const theirs = new Map<string, Box[]>();
      for (const { text, box } of boxesByPoppler(bytes, k + 1))
        theirs.set(text, [...(theirs.get(text) ?? []), box]);
      const display = displayMatrix(pages[k]);
      for (const { from, to, box } of print.words) {
        const seen = transformBox(display, box);
        const text = print.text.slice(from, to);
        const away = (theirs.get(text) ?? []).map((b) =>
          Math.max(
            Math.abs(b.minX - seen.minX),
            Math.abs(b.minY - seen.minY),
            Math.abs(b.maxX - seen.maxX),
            Math.abs(b.maxY - seen.maxY),
          ),
        );
        if (away.length === 0) continue;
        all++;
        if (Math.min(...away) <= 0.5) near++;
      }
    });
  }
  console.log(`boxes: ${near} of ${all} words within half a point`);
  expect(all).toBeGreaterThan(3000);
  expect(near / all).toBeGreaterThan(0.99);
});

test('quadrilaterals of all words cover the ink of the print, as MuPDF draws it', async () => {
  const bytes = demo('barnacles');
  const { pages } = await inspectPdf(bytes);
  const [print] = await printOf(bytes, 1);
  const dpi = 144;
  const { width, height, data } = await pictureBy('MuPDF', bytes, 1, dpi);
  const matrix = displayMatrix(pages[0], dpi / 72);
  const quads = quadsOf(print, { from: 0, to: print.text.length }).map((quad) => {
    const [a, , , d] = quad;
    return transformBox(matrix, {
      minX: Math.min(a.x, d.x),
      minY: Math.min(a.y, d.y),
      maxX: Math.max(a.x, d.x),
      maxY: Math.max(a.y, d.y),
    });
  });
  let [ink, covered] = [0, 0];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      // Type is dark; the rule beneath the title is not.
      if (data[4 * (y * width + x)] > 100) continue;
      ink++;
      if (quads.some((q) => x + 1 > q.minX && x < q.maxX && y + 1 > q.minY && y < q.maxY))
        covered++;
    }
  console.log(`ink: ${covered} of ${ink} dark pixels beneath quadrilaterals`);
  expect(ink).toBeGreaterThan(10_000);
  expect(covered / ink).toBeGreaterThan(0.98);
});

/** Ten terms each, or five, in our own documents and in those of others; of these a few are always checked. */
const TERMS: Readonly<Record<string, string>> = {
  barnacles: 'barnacle rock the larva settle',
  'tide-almanac': 'tide water page 12 a station low high 4. saltmarsh',
  'drawing program how-to': 'figure xfig line the object menu color button depth file',
  'shell manual': 'shell bash variable expansion the command quote exit alias function',
  'statistics introduction': 'vector matrix the function plot factor list model data session',
};
const searched: readonly (readonly [string, () => Uint8Array])[] = [
  ['barnacles', () => demo('barnacles')],
  ['tide-almanac', () => demo('tide-almanac')],
  ...realPdfs()
    .filter(({ name }) => name in TERMS)
    .map((pdf) => [pdf.name, () => realPdf(pdf)] as const),
];

test.each(searched)(
  'terms are found in the %s as often as in what poppler reads',
  async (name, bytesOf) => {
    const bytes = bytesOf();
    const prints = await printOf(bytes, 40);
    const theirs = prints.map((_, page) =>
      tokensByPoppler(bytes, page + 1)
        .join(' ')
        .toLowerCase(),
    );
    const counts = TERMS[name].split(' ').map((term) => ({
      term,
      ours: prints.reduce((n, print) => n + findInPrint(print, term).length, 0),
      theirs: theirs.reduce((n, text) => n + text.split(term).length - 1, 0),
    }));
    console.log(`${name}: ${counts.map((c) => `${c.term} ${c.ours}/${c.theirs}`).join(', ')}`);
    for (const count of counts) expect(count).toEqual({ ...count, ours: count.theirs });
  },
);
