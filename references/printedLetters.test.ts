import { readFileSync } from 'node:fs';
import { correctPrint, lineWith, looksLike, type PrintedLine } from '@marginalis/core/editing';
import {
  type Box,
  boxOfPoints,
  displayMatrix,
  distance,
  growBox,
  lerp,
  transformBox,
} from '@marginalis/core/geometry';
import { CopyFonts } from '@marginalis/core/copy';
import { blockOfCorrection, type OwnLetters } from '@marginalis/core/kinds';
import { makeFixedCopy } from '@marginalis/core/pdf';
import { lineLook, type PrintedLook } from '@marginalis/core/pdfium';
import {
  aroundQuad,
  lettersFor,
  lettersOfLine,
  placedLetters,
  type Print,
} from '@marginalis/core/print';
import { faceOfStyle, type LetterStyle } from '@marginalis/core/type';
import { faceFile, textFiles } from '../cli/faces';
import { startPdfium } from '../cli/pdfium';
import { done } from '../core/testing/marks';
import { seededRandom } from '../core/testing/seededRandom';
import { deflate } from './support/markedCopy';
import { pictureBy, textOf } from './support/programs';
import { realPdf, realPdfs } from './support/realPdfs';
import { opened, SHA } from './support/redacted';
import { byReportlab } from './support/reportlab';

/**
 * Lines set anew in the letters of the font that their file carries: they say the same, and look as MuPDF draws the file's own. Content streams and fonts:
 * ISO 32000-1 §9.
 */

const DPI = 144;
const LINES = process.env.REFERENCES === 'all' ? 6 : 3;
const DOCUMENTS = [
  {
    name: 'the reading',
    bytes: () => new Uint8Array(readFileSync('demo/documents/barnacles.pdf')),
  },
  { name: 'lines in TrueType', bytes: () => byReportlab('linesByReportlab.py', faceFile('serif')) },
  ...realPdfs()
    .filter(({ name }) => !/numeric|introduction/.test(name))
    .map((one) => ({ name: one.name, bytes: () => realPdf(one) })),
];

/** How the first letter of a line is printed. */
const lookOf = async (bytes: Uint8Array, { quad }: PrintedLine): Promise<PrintedLook | null> => {
  const [head, , foot, footEnd] = quad;
  const at = lerp(lerp(foot, head, 0.4), footEnd, 0.01);
  return lineLook(await startPdfium(), bytes, { page: 0, at, ofLine: true });
};

/** Ink that differs within a box of a first page, of all ink that is there. */
function apart(a: Picture, b: Picture, box: Box): number {
  const { minX, minY, maxX, maxY } = box;
  let [off, ink] = [0, 0];
  for (let y = Math.floor(minY); y < maxY; y++)
    for (let x = Math.floor(minX); x < maxX; x++) {
      const k = 4 * (y * a.width + x);
      off += Math.abs(a.data[k] - b.data[k]);
      ink += 255 - a.data[k];
    }
  return off / Math.max(1, ink);
}

/** How long text is in the face that comes nearest, points. */
async function widthIn(look: LetterStyle, says: string): Promise<number> {
  const fonts = new CopyFonts(textFiles);
  await fonts.loadFor(says, faceOfStyle(look));
  const block = blockOfCorrection({ says, look });
  return fonts.typesetter.setBlock(block, fonts).lines[0].width;
}

type Picture = Awaited<ReturnType<typeof pictureBy>>;

const fitLines = ({ text, lines }: Print): Print['lines'] =>
  lines.filter(
    ({ from, to }) => to - from > 12 && /^[\x20-\x7e]+$/.test(text.slice(from, to).trim()),
  );

/** Of all lines: in the print's own letters, and in the face that ships and comes nearest. */
const measured = { own: [] as number[], shipped: [] as number[], refused: 0 };
const median = (all: readonly number[]): number =>
  [...all].sort((a, b) => a - b)[Math.floor(all.length / 2)];

test.each(DOCUMENTS)(
  '$name: a line in its own letters says what it said',
  async ({ name, bytes: of }) => {
    const bytes = of();
    const { document, print } = await opened(bytes, 0);
    const [page] = document.pages;
    const random = seededRandom(name.length);
    const fit = [...fitLines(print)];
    const own: number[] = [];
    let refused = 0;
    const before = await pictureBy('MuPDF', bytes, 1, DPI);
    while (own.length + refused < LINES && fit.length > 0) {
      const [{ from }] = fit.splice(Math.floor(random() * fit.length), 1);
      const line = lineWith(print, from);
      const printed = line && (await lookOf(bytes, line));
      if (!line || !printed) continue;
      const says = line.was.trim();
      const [, , foot, footEnd] = line.quad;
      const letters = lettersOfLine(printed.letters, says, line.size, distance(foot, footEnd));
      const taken = letters && lettersFor(says, letters);
      if (!taken) {
        refused++;
        continue;
      }
      const { isGuess: _, ...face } = looksLike(printed.font, printed.flags, printed.weight);
      const look = { ...face, size: line.size, underline: false, colour: '#000000' };
      const length = line.size * placedLetters(says, taken).width;
      const width = await widthIn(look, says);
      const inLetters = async (letter: OwnLetters | null): Promise<number | null> => {
        const corrected = correctPrint(document, {
          ...{ id: 'c', page: 'a0', line, says, baseline: printed.origin, look },
          ...{ set: { below: DROP * line.size, width }, stretch: length / width },
          ...{ paper: '#ffffff', madeAt: 1, ...(letter ? { own: letter } : {}) },
        });
        const { bytes: copy, printLeft } = await makeFixedCopy(
          [{ sha: SHA, bytes }],
          done(document, corrected),
          { deflate, ...textFiles },
        );
        if (printLeft.length > 0) return null;
        expect(plain(textOf(copy).split('\f')[0])).toContain(plain(says));
        const area = growBox(boxOfPoints(aroundQuad(line.quad)), 1);
        const seen = transformBox(displayMatrix(page, DPI / 72), area);
        return apart(before, await pictureBy('MuPDF', copy, 1, DPI), seen);
      };
      const off = await inLetters({ letters: taken, drop: DROP, stretch: 1 });
      const other = await inLetters(null);
      if (off === null || other === null) continue;
      own.push(off);
      measured.shipped.push(other);
    }
    measured.own.push(...own);
    measured.refused += refused;
    const told = own.map((one) => one.toFixed(2)).join(' ');
    process.stderr.write(`${name}: ink apart ${told}; ${refused} refused\n`);
  },
);

/** What the baseline lies beneath the head of a line, in sizes of type. */
const DROP = 0.95;
const plain = (text: string): string => text.replace(/\s+/g, '');

test('letters of the print look more like it than any that ship', () => {
  const { own, shipped, refused } = measured;
  process.stderr.write(
    `${own.length} lines: ink apart ${median(own).toFixed(2)} in their own letters, ${median(shipped).toFixed(2)} in others; ${refused} refused\n`,
  );
  expect(own.length).toBeGreaterThan(9);
  expect(median(own)).toBeLessThan(0.5);
  expect(median(own)).toBeLessThan(0.5 * median(shipped));
  expect(refused).toBeLessThan(own.length / 2);
});
