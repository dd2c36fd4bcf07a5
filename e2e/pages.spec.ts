import { expect, test } from '@playwright/test';
import { PDFDocument } from '@cantoo/pdf-lib';
import { readFileSync } from 'node:fs';
import { line } from './support/pen';
import {
  command,
  drawn,
  inkOn,
  kept,
  makeCopy,
  openWorksheet,
  pageBox,
  placeOn,
} from './support/reader';

test('a page is added after the one in sight; marks go on it; it is kept, undone, and in the copy', async ({
  page,
}) => {
  const pen = await openWorksheet(page);
  await command(page, 'Add a ruled page');
  await expect(page.getByLabel('Page, 1 to 3')).toHaveValue('2');
  await drawn(page, 2);
  await pen.draw(line(await placeOn(page, 2, 0.2, 0.2), await placeOn(page, 2, 0.7, 0.25)));
  await kept(page);
  await expect.poll(() => inkOn(page, 2)).toBeGreaterThan(100);

  await page.reload();
  await expect(page.getByLabel('Page, 1 to 3')).toBeVisible();
  await page.keyboard.press('PageDown');
  await drawn(page, 2);
  await expect.poll(() => inkOn(page, 2)).toBeGreaterThan(100);

  await makeCopy(page);
  await expect(page.getByTestId('copy-made')).toContainText('3 pages');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Download' }).click();
  const copy = await PDFDocument.load(readFileSync(await (await download).path()));
  expect(copy.getPageCount()).toBe(3);
  expect(copy.getPage(1).getSize().width).toBeCloseTo(copy.getPage(0).getSize().width);
  await page.keyboard.press('Escape');
  await page.getByRole('dialog').waitFor({ state: 'hidden' });

  await page.getByTestId('stage').focus();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Page, 1 to 2')).toBeVisible();
  await page.keyboard.press('Control+y');
  await page.keyboard.press('Control+y');
  await expect(page.getByLabel('Page, 1 to 3')).toBeVisible();
  await expect(page.getByLabel('Page, 1 to 3')).toHaveValue('2');
  await expect.poll(() => inkOn(page, 2)).toBeGreaterThan(100);
  await kept(page);
});

test('undo and redo lead to where they change something, if that is out of sight', async ({
  page,
}) => {
  const pen = await openWorksheet(page);
  await pen.draw(line(await placeOn(page, 1, 0.2, 0.1), await placeOn(page, 1, 0.7, 0.15)));
  await kept(page);
  await page.getByTestId('stage').focus();
  await page.keyboard.press('End');
  await expect(page.getByLabel(/^Page, 1 to/)).toHaveValue('2');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel(/^Page, 1 to/)).toHaveValue('1');
  await expect.poll(() => inkOn(page, 1)).toBe(0);
  await page.keyboard.press('End');
  await page.keyboard.press('Control+y');
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(100);
});

test('another tab sees the page that was added; what it had in sight stays where it was', async ({
  page,
  context,
}) => {
  await openWorksheet(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByText('Another tab is writing')).toBeVisible();
  await other.getByTestId('stage').focus();
  await other.keyboard.press('PageDown');
  await expect(other.getByLabel('Page, 1 to 2')).toHaveValue('2');
  await other.keyboard.press('ArrowUp');
  const at = await pageBox(other, 2).boundingBox();
  await command(page, 'Add a squared page');
  await kept(page);
  await expect(other.getByLabel('Page, 1 to 3')).toHaveValue('3');
  const now = await pageBox(other, 3).boundingBox();
  expect(Math.abs((now?.y ?? 0) - (at?.y ?? 0))).toBeLessThan(2);
});

test('commands are found by typed letters and run by keys alone', async ({ page }) => {
  await openWorksheet(page);
  await page.getByTestId('stage').focus();
  await page.keyboard.press('Control+k');
  const commands = page.getByRole('dialog', { name: 'Commands' });
  await expect(commands).toBeVisible();
  await page.keyboard.type('dotted');
  await expect(commands.getByRole('option')).toHaveCount(1);
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Page, 1 to 3')).toBeVisible();
  await commands.waitFor({ state: 'hidden' });
  await page.keyboard.press('Control+k');
  await page.keyboard.type('zzzz');
  await expect(commands.getByText('No command is called that.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(commands).toBeHidden();
});
