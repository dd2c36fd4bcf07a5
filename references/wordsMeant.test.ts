import { readFileSync } from 'node:fs';
import { type Box, uniteBoxes, type Vec } from '@marginalis/core/geometry';
import { type Print, type PrintWord, wordsMeant, type WordWay } from '@marginalis/core/print';
import { alongCorners, ellipsePath, writeAlong } from '../core/testing/hand';
import { seededRandom } from '../core/testing/seededRandom';
import { printOf } from './support/printBy';
import { realPdf, realPdfs } from './support/realPdfs';

/**
 * Which words ink means, on the reading and on pages of other people's files, with marks made by a hand model: at least 95 % of the words meant, and at most 1 %
 * besides. How people underline, ring and bracket is common practice, no source: beneath the words, around them with a little room, beside their lines.
 */

jest.setTimeout(240_000);

/** Marks of each way on each page. */
const MARKS = 12;
const PAGES = 6;

type Random = () => number;
const between = (random: Random, low: number, high: number): number =>
  low + (high - low) * random();

/** A few words of one line, and their box; null where the page has none. */
function someWords(print: Print, random: Random): { words: PrintWord[]; box: Box } | null {
  for (let tries = 0; tries < 60; tries++) {
    const first = Math.floor(random() * print.words.length);
    const line = print.words[first]?.line;
    const most = 1 + Math.floor(random() * 6);
    const words = print.words.slice(first, first + most).filter((word) => word.line === line);
    if (line === undefined || print.lines[line].angle !== 0 || print.lines[line].running) continue;
    const box = words.map((word) => word.box).reduce(uniteBoxes);
    // Nobody rings a comma by itself.
    if (box.maxX - box.minX > 12) return { words, box };
  }
  return null;
}

/** A drawn line, and the words it is to mean. */
interface Drawn {
  readonly path: Vec[];
  readonly words: readonly PrintWord[];
}

const DRAWN: Readonly<Record<WordWay | 'boxed', (print: Print, random: Random) => Drawn | null>> = {
  underlined(print, random) {
    const some = someWords(print, random);
    if (!some) return null;
    const { minX, maxX, minY, maxY } = some.box;
    const y = minY + between(random, -0.12, 0.1) * (maxY - minY);
    const slope = between(random, -0.6, 0.6);
    const from = { x: minX + between(random, -1.5, 1.5), y };
    const to = { x: maxX + between(random, -1.5, 1.5), y: y + slope };
    return { path: alongCorners([from, to]), words: some.words };
  },
  struck(print, random) {
    const some = someWords(print, random);
    if (!some) return null;
    const { minX, maxX, minY, maxY } = some.box;
    const y = minY + between(random, 0.4, 0.55) * (maxY - minY);
    const from = { x: minX + between(random, -1.5, 1.5), y };
    const to = { x: maxX + between(random, -1.5, 1.5), y: y + between(random, -0.6, 0.6) };
    return { path: alongCorners([from, to]), words: some.words };
  },
  encircled(print, random) {
    const some = someWords(print, random);
    if (!some) return null;
    const { minX, maxX, minY, maxY } = some.box;
    const [w, h] = [(maxX - minX) / 2, (maxY - minY) / 2];
    const centre = { x: (minX + maxX) / 2, y: (minY + maxY) / 2 };
    const path = ellipsePath(
      centre,
      w + Math.min(0.25 * w, 6) + between(random, 0.5, 2),
      h * between(random, 1.1, 1.35),
    );
    return { path, words: some.words };
  },
  boxed(print, random) {
    const some = someWords(print, random);
    if (!some) return null;
    const { minX, maxX, minY, maxY } = some.box;
    const room = between(random, 0.3, 1.4);
    const [x0, x1, y0, y1] = [minX - room, maxX + room, minY - 0.4 * room, maxY + 0.4 * room];
    const corners = [
      { x: x0, y: y0 },
      { x: x1, y: y0 },
      { x: x1, y: y1 },
      { x: x0, y: y1 },
      { x: x0, y: y0 + 0.5 },
    ];
    return { path: alongCorners(corners), words: some.words };
  },
  bracketed(print, random) {
    const some = someWords(print, random);
    const first = some && print.words.indexOf(some.words[0]);
    if (!some || first === null) return null;
    const from = some.words[0].line;
    const { block } = print.lines[from];
    let to = from;
    while (print.lines[to + 1]?.block === block && to - from < 5) to++;
    if (to === from) return null;
    const lines = print.lines.slice(from, to + 1);
    const box = lines.map((line) => line.box).reduce(uniteBoxes);
    const height = lines[0].box.maxY - lines[0].box.minY;
    const x = box.minX - between(random, 3, 9);
    const path = alongCorners([
      { x, y: box.maxY - between(random, -0.15, 0.2) * height },
      { x: x + between(random, -0.8, 0.8), y: box.minY + between(random, -0.15, 0.2) * height },
    ]);
    return { path, words: print.words.filter(({ line }) => line >= from && line <= to) };
  },
};

function judge(prints: readonly Print[]): Record<string, readonly [number, number, number]> {
  const random = seededRandom(20);
  const sums: Record<string, [number, number, number]> = {};
  for (const [way, draw] of Object.entries(DRAWN)) {
    const sum: [number, number, number] = [0, 0, 0];
    for (const print of prints)
      for (let k = 0; k < MARKS; k++) {
        const drawn = draw(print, random);
        if (!drawn) continue;
        const seed = Math.floor(1e6 * random());
        const ink = writeAlong(drawn.path, { seed, tremor: 0.25, noise: 0.15 });
        const meant = wordsMeant(print, ink);
        const isMeant = ({ from, to }: PrintWord): boolean =>
          meant?.ranges.some((range) => from >= range.from && to <= range.to) ?? false;
        const said = new Set(drawn.words);
        sum[0] += said.size;
        sum[1] += drawn.words.filter(isMeant).length;
        sum[2] += print.words.filter((word) => isMeant(word) && !said.has(word)).length;
      }
    sums[way] = sum;
  }
  return sums;
}

const reading = () => printOf(new Uint8Array(readFileSync('demo/documents/barnacles.pdf')), PAGES);

test.each([
  ['the reading', reading],
  ...realPdfs()
    .filter(({ name }) => /policy|introduction|how-to|shell/.test(name))
    .map((pdf): [string, () => Promise<Print[]>] => [
      pdf.name,
      // Not their tables of contents.
      async () => (await printOf(realPdf(pdf), 3 * PAGES)).slice(2 * PAGES),
    ]),
])('ink on %s means the words it was drawn for', async (name, printsOf) => {
  const sums = judge(await printsOf());
  let [all, found, besides] = [0, 0, 0];
  for (const [way, [a, b, c]] of Object.entries(sums)) {
    console.log(`${name}, ${way}: ${b} of ${a} words, ${c} besides`);
    all += a;
    found += b;
    besides += c;
  }
  expect(found / all).toBeGreaterThanOrEqual(0.95);
  expect(besides / all).toBeLessThanOrEqual(0.01);
});
