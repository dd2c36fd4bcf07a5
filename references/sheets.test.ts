import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { onSheets, type SheetPlan } from '@marginalis/core/pdf';
import { PNG } from 'pngjs';
import { turnedAndCropped } from '../e2e/support/turnedAndCropped';

/*
 * Pages on sheets of paper, looked at by other programs: qpdf (whether the file is sound), poppler (what the pages look like
 * there against what they look like alone, and their words).
 */

let folder = '';
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'sheets-'));
});
afterAll(() => rmSync(folder, { recursive: true }));

const PAPER = { width: 595.28, height: 841.89 };
const DPI = 72;

const picture = (file: string, page: number, dpi: number): PNG =>
  PNG.sync.read(
    execFileSync(
      'pdftoppm',
      ['-png', '-cropbox', '-r', String(dpi), '-f', String(page), '-l', String(page), file],
      { maxBuffer: 1 << 28 },
    ),
  );
const words = (file: string): string[] =>
  execFileSync('pdftotext', [file, '-'], { encoding: 'utf8' }).split(/\s+/).filter(Boolean);

/** Mean darkness, from 0 to 255, of each square of so many a side over a part of a picture (in shares of it). */
function darkness(
  { width, height, data }: PNG,
  part: { x: number; y: number; width: number; height: number },
  side: number,
): number[] {
  const out: number[] = [];
  for (let row = 0; row < side; row++)
    for (let column = 0; column < side; column++) {
      let sum = 0;
      let count = 0;
      const [x0, x1] = [column, column + 1].map((k) => (part.x + (k / side) * part.width) * width);
      const [y0, y1] = [row, row + 1].map((k) => (part.y + (k / side) * part.height) * height);
      for (let y = Math.round(y0); y < Math.round(y1); y++)
        for (let x = Math.round(x0); x < Math.round(x1); x++) {
          sum += 255 - data[4 * (y * width + x) + 1];
          count++;
        }
      out.push(sum / Math.max(1, count));
    }
  return out;
}

/** Where a page lies on its sheet, in shares of it from the top left: found by its frame's proportions. */
function placeOf(
  page: PNG,
  cell: { x: number; y: number; width: number; height: number },
  sheet: { width: number; height: number },
  atTop: boolean,
) {
  const scale = Math.min(
    (cell.width * sheet.width) / page.width,
    (cell.height * sheet.height) / page.height,
  );
  const [w, h] = [(page.width * scale) / sheet.width, (page.height * scale) / sheet.height];
  return {
    x: cell.x + (cell.width - w) / 2,
    y: cell.y + (cell.height - h) * (atTop ? 0 : 0.5),
    width: w,
    height: h,
  };
}

/** Where a file of that name is; pages that are turned, cut and scaled are made. */
async function fileOf(name: string): Promise<string> {
  if (name !== 'turned and cut') return `demo/documents/${name}.pdf`;
  const made = join(folder, 'turned.pdf');
  writeFileSync(made, await turnedAndCropped());
  return made;
}
const FILES = ['rock-pool-zones', 'turned and cut'];

/** The cells of each plan, in shares of the sheet, told by hand from paper of A4, 24 points of edge, 14 between, 0.32 of room. */
const cells = (
  plan: SheetPlan,
): { sheet: typeof PAPER; cells: { x: number; y: number; width: number; height: number }[] } => {
  const sheet =
    plan.perSheet === 2 && !plan.room ? { width: PAPER.height, height: PAPER.width } : PAPER;
  const grid =
    plan.perSheet === 1 ? [1, 1] : plan.perSheet === 4 ? [2, 2] : plan.room ? [1, 2] : [2, 1];
  const [columns, rows] = grid;
  const w = (sheet.width - 48 - (columns - 1) * 14) / columns;
  const h = (sheet.height - 48 - (rows - 1) * 14) / rows;
  const all = [];
  for (let r = 0; r < rows; r++)
    for (let c = 0; c < columns; c++)
      all.push({
        x: (24 + c * (w + 14)) / sheet.width,
        y: (24 + r * (h + 14)) / sheet.height,
        width: (plan.room ? w * 0.68 - 14 : w) / sheet.width,
        height: h / sheet.height,
      });
  return { sheet, cells: all };
};

const PLANS: SheetPlan[] = [
  { perSheet: 2, room: false },
  { perSheet: 4, room: false },
  { perSheet: 1, room: true },
  { perSheet: 2, room: true },
];

describe.each(FILES)('%s', (name) => {
  test.each(PLANS)(
    '%o: sound, with all its words, each page where it belongs as it is alone',
    async (plan) => {
      const source = await fileOf(name);
      const file = join(folder, 'sheets.pdf');
      writeFileSync(file, await onSheets(readFileSync(source), plan));
      execFileSync('qpdf', ['--check', file], { stdio: 'pipe' });
      expect(words(file).sort()).toEqual(words(source).sort());
      const count = Number(
        /Pages:\s+(\d+)/.exec(execFileSync('pdfinfo', [source], { encoding: 'utf8' }))?.[1],
      );
      const sheets = Number(
        /Pages:\s+(\d+)/.exec(execFileSync('pdfinfo', [file], { encoding: 'utf8' }))?.[1],
      );
      expect(sheets).toBe(Math.ceil(count / plan.perSheet));
      const { sheet, cells: places } = cells(plan);
      for (let k = 0; k < Math.min(count, 4); k++) {
        const page = picture(source, k + 1, DPI);
        const place = placeOf(page, places[k % plan.perSheet], sheet, plan.room);
        // As many pixels of the page on its sheet as alone.
        const dpi = (72 * page.width) / (place.width * sheet.width);
        const onSheet = picture(file, Math.floor(k / plan.perSheet) + 1, dpi);
        const SIDE = 24;
        const alone = darkness(page, { x: 0, y: 0, width: 1, height: 1 }, SIDE);
        const there = darkness(onSheet, place, SIDE);
        // The frame lies on the outermost squares.
        const inner = (i: number): boolean => {
          const [r, c] = [Math.floor(i / SIDE), i % SIDE];
          return r > 0 && c > 0 && r < SIDE - 1 && c < SIDE - 1;
        };
        const apart = alone.map((d, i) => (inner(i) ? Math.abs(d - there[i]) : 0));
        const mean = (all: readonly number[]): number =>
          all.reduce((a, d) => a + d, 0) / all.length;
        // Something else there, or nothing, would be about as far from it as it is dark.
        expect(mean(alone)).toBeGreaterThan(2);
        expect(mean(apart)).toBeLessThan(0.15 * mean(alone));
      }
    },
  );
});
