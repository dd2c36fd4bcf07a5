import { spawnSync } from 'node:child_process';
import { expect, type Page, test } from '@playwright/test';
import { line, Pen } from './support/pen';
import {
  command,
  dragGrip,
  goOver,
  goToDocument,
  inkOn,
  kept,
  makeCopy,
  openMarks,
  pageBox,
  placeOn,
  take,
} from './support/reader';

/** Marking the words of the reading, which is set in two columns. */

let pen: Pen;
test.beforeEach(async ({ page }) => {
  await goToDocument(page, 'How barnacles choose a rock');
  pen = await Pen.of(page);
});

/** What the rows of the list of marks say. */
async function listed(page: Page): Promise<string[]> {
  await page.keyboard.press('l');
  const rows = page.getByRole('button', { name: /^Go to / });
  await expect(rows.first()).toBeVisible();
  const names = await rows.evaluateAll((all) => all.map((row) => row.getAttribute('aria-label')));
  await page.keyboard.press('l');
  // The page goes back to the middle of the window.
  await expect(rows.first()).toBeHidden();
  await page.waitForFunction(
    () =>
      new Promise((done) => {
        const left = () => document.querySelector('[data-page="1"]')?.getBoundingClientRect().left;
        const before = left();
        setTimeout(() => done(left() === before), 150);
      }),
  );
  return names.map((name) => String(name).replace(/^Go to /, ''));
}

test('words are marked as they are gone over; marks side by side become one, and a fine eraser takes words', async ({
  page,
}) => {
  await take(page, 'Word highlighter');
  await goOver(page, pen, [0.13, 0.188], [0.28, 0.188]);
  await expect.poll(() => inkOn(page, 1, 'highlights')).toBeGreaterThan(500);
  const one = await listed(page);
  expect(one).toEqual(['Text highlight, Sap green, page 1, An adult barnacle']);
  await goOver(page, pen, [0.35, 0.188], [0.2, 0.2145]);
  await expect
    .poll(() => listed(page))
    .toEqual(['Text highlight, Sap green, page 1, An adult barnacle cannot walk away from']);
  await page.keyboard.press('Control+z');
  expect(await listed(page)).toEqual(one);
  await page.keyboard.press('Control+Shift+z');

  await take(page, 'Eraser');
  await take(page, 'Eraser');
  await page.getByRole('radio', { name: 'What it passes over' }).click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await goOver(page, pen, [0.26, 0.184], [0.26, 0.192]);
  await expect
    .poll(() => listed(page))
    .toEqual(['Text highlight, Sap green, page 1, An adult cannot walk away from']);
});

test('marks go over the end of a column, and of a page, in reading order', async ({ page }) => {
  await take(page, 'Word underliner');
  await page.setViewportSize({ width: 1280, height: 1500 });
  await command(page, 'Zoom out');
  await command(page, 'Zoom out');
  // From the last words of the left column to the first of the right one.
  await goOver(page, pen, [0.3, 0.905], [0.65, 0.165]);
  await expect.poll(() => listed(page)).toHaveLength(1);
  const [column] = await listed(page);
  expect(column).toMatch(/^Underline, Vermilion red, page 1, .*hours, from counting/);
  await goOver(page, pen, [0.6, 0.888, 1], [0.2, 0.09, 2]);
  await expect
    .poll(() => listed(page))
    .toEqual([
      column,
      expect.stringMatching(/page 1, .* It has no$/),
      expect.stringMatching(/page 2, working/),
    ]);
  // It was one step.
  await page.keyboard.press('Control+z');
  expect(await listed(page)).toEqual([column]);
});

test('what is marked is in the copy, with the print readable beneath it', async ({ page }) => {
  await take(page, 'Word highlighter');
  await goOver(page, pen, [0.13, 0.188], [0.24, 0.22]);
  await kept(page);
  await makeCopy(page);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Download' }).click();
  const file = await (await download).path();
  expect(spawnSync('qpdf', ['--check', file]).status).toBe(0);
  const { stdout } = spawnSync('pdftotext', ['-l', '1', file, '-'], { encoding: 'utf8' });
  expect(stdout).toContain('An adult barnacle cannot walk');
});

test('words are selected by going over them, a word by two taps, its sentence by three; a chip marks and copies them', async ({
  page,
}) => {
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
  const copied = () => page.evaluate(() => navigator.clipboard.readText());
  const chip = page.getByRole('group', { name: 'Selected words' });
  await take(page, 'Word picker');
  await goOver(page, pen, [0.13, 0.188], [0.28, 0.188]);
  await expect(chip).toBeVisible();
  await chip.getByRole('button', { name: 'Copy the words' }).click();
  await expect(chip).toBeHidden();
  expect(await copied()).toBe('An adult barnacle');

  const tap = async (times: number): Promise<void> => {
    const at = await placeOn(page, 1, 0.26, 0.188);
    for (let n = 0; n < times; n++) await pen.draw([at, at]);
  };
  await tap(2);
  await chip.getByRole('button', { name: 'Copy the words' }).click();
  expect(await copied()).toBe('barnacle');
  await page.waitForTimeout(500);
  await tap(3);
  await expect(chip).toBeVisible();
  await chip.getByRole('button', { name: 'Mark with the word highlighter' }).click();
  await expect
    .poll(() => listed(page))
    .toEqual([
      'Text highlight, Sap green, page 1, An adult barnacle cannot walk away from a bad address.',
    ]);

  await goOver(page, pen, [0.13, 0.188], [0.28, 0.188]);
  await expect(chip).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(chip).toBeHidden();
});

test('the ends of a selection, and of a mark, are dragged, or moved by the arrow keys', async ({
  page,
}) => {
  const chip = page.getByRole('group', { name: 'Selected words' });
  await take(page, 'Word picker');
  await goOver(page, pen, [0.13, 0.188], [0.28, 0.188]);
  await expect(chip).toBeVisible();
  await page.getByRole('button', { name: 'End of the selection' }).focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await dragGrip(page, 'Start of the selection', [0.3, 0.18]);
  await chip.getByRole('button', { name: 'Mark with the word highlighter' }).click();
  const short = 'Text highlight, Sap green, page 1, cannot walk';
  await expect.poll(() => listed(page)).toEqual([short]);

  await take(page, 'Picker');
  const at = await placeOn(page, 1, 0.35, 0.188);
  await pen.draw([at, at]);
  await dragGrip(page, 'End of what is marked', [0.2, 0.222]);
  const long = 'Text highlight, Sap green, page 1, cannot walk away from a bad';
  await expect.poll(() => listed(page)).toEqual([expect.stringContaining(short)]);
  const [now] = await listed(page);
  expect(now.length).toBeGreaterThan(short.length);
  expect(long.startsWith(short)).toBe(true);
  await page.keyboard.press('Control+z');
  expect(await listed(page)).toEqual([short]);
});

test('words are selected by the keyboard alone, and marked', async ({ page }) => {
  await page.keyboard.press('s');
  const caret = page.getByTestId('word-caret');
  await expect(caret).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowRight');
  for (let n = 0; n < 3; n++) await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Mark with the word highlighter' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect.poll(() => listed(page)).toHaveLength(1);
  const [marked] = await listed(page);
  expect(marked.split(', ').pop()?.split(' ')).toHaveLength(4);
});

test('an end of a selection is dragged over the border of a page, and what it selects is offered again', async ({
  page,
}) => {
  await page.setViewportSize({ width: 1280, height: 1500 });
  await command(page, 'Zoom out');
  await command(page, 'Zoom out');
  const chip = page.getByRole('group', { name: 'Selected words' });
  const chosenOn = (number: number) => pageBox(page, number).getByTestId('chosen-words');
  await take(page, 'Word picker');
  await goOver(page, pen, [0.6, 0.888, 1], [0.7, 0.888, 1]);
  await expect(chip).toBeVisible();
  await expect(chosenOn(2)).toHaveCount(0);
  await dragGrip(page, 'End of the selection', [0.2, 0.09, 2]);
  await expect(chosenOn(2)).toBeVisible();
  await expect(chip).toBeVisible();
  // The start, past the end: nothing of the page it was taken on is left.
  await dragGrip(page, 'Start of the selection', [0.3, 0.15, 2]);
  await expect(chosenOn(1)).toHaveCount(0);
  await expect(chosenOn(2)).toBeVisible();
  await expect(chip).toBeVisible();
});

test('a scanned page is marked by area, which is said once', async ({ page }) => {
  await goToDocument(page, 'Tide log, scanned');
  await take(page, 'Word highlighter');
  const [from, to] = [await placeOn(page, 1, 0.2, 0.1), await placeOn(page, 1, 0.6, 0.14)];
  await pen.draw(line(from, to));
  await expect.poll(() => inkOn(page, 1, 'highlights')).toBeGreaterThan(2_000);
  await expect(page.getByText('No words can be read on this page: it is marked')).toBeVisible();
  await kept(page);
  await openMarks(page);
  await expect(page.getByRole('complementary', { name: 'Marks' })).toContainText(
    'Highlighted area',
  );

  await take(page, 'Picker');
  const middle = await placeOn(page, 1, 0.4, 0.12);
  await pen.draw([middle, middle]);
  const before = await inkOn(page, 1, 'highlights');
  await dragGrip(page, 'Last corner of the area', [0.6, 0.2]);
  await expect.poll(() => inkOn(page, 1, 'highlights')).toBeGreaterThan(1.5 * before);
  const dragged = await inkOn(page, 1, 'highlights');
  await page.getByRole('button', { name: 'First corner of the area' }).focus();
  await page.keyboard.press('Shift+ArrowDown');
  await expect.poll(() => inkOn(page, 1, 'highlights')).toBeLessThan(dragged);
  await page.keyboard.press('Control+z');
  await expect.poll(() => inkOn(page, 1, 'highlights')).toBe(dragged);
});

test('a highlighter set to follow the print lies straight on the line it runs along; Shift lets one stroke lie as it is written', async ({
  page,
}) => {
  await take(page, 'Broad highlighter');
  await page.getByRole('button', { name: /^Broad highlighter/ }).click();
  const sheet = page.getByRole('dialog', { name: 'Broad highlighter' });
  await sheet.getByRole('radio', { name: 'Along the print' }).click();
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();
  const [x, y] = await placeOn(page, 1, 0.19, 0.24);
  await pen.hover([x, y]);
  const along = Array.from({ length: 30 }, (_, k): [number, number] => [
    x + 9 * k,
    y + 11 * Math.sin(k / 2),
  ]);
  await pen.draw(along);
  await kept(page);
  const rowsOfInk = () =>
    page.evaluate(() => {
      const rows = new Set<number>();
      for (const canvas of document.querySelectorAll<HTMLCanvasElement>(
        '[data-page="1"] [data-layer="highlights"] canvas',
      )) {
        const { top } = canvas.getBoundingClientRect();
        const scale = canvas.height / canvas.getBoundingClientRect().height;
        const { width, height } = canvas;
        const data = canvas.getContext('2d')?.getImageData(0, 0, width, height).data ?? [];
        for (let i = 0; i < height; i++)
          for (let k = 0; k < width; k++)
            if (data[4 * (i * width + k) + 3] > 40) rows.add(Math.round(top + i / scale));
      }
      return rows.size;
    });
  await expect.poll(rowsOfInk).toBeGreaterThan(14);
  const straight = await rowsOfInk();
  // As high as the line, and not as the hand swayed.
  expect(straight).toBeLessThan(42);
  await page.keyboard.press('Control+z');
  await pen.draw(along, { shift: true });
  await expect.poll(rowsOfInk).toBeGreaterThan(straight + 4);
});
