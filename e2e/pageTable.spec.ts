import { expect, type Page, test } from '@playwright/test';
import { PDFDocument } from '@cantoo/pdf-lib';
import { readFileSync } from 'node:fs';
import { outlineAndLabels, textOf } from '../references/support/programs';
import {
  command,
  downloadProved,
  drawn,
  goToDocument,
  inkOn,
  kept,
  openSend,
  panel,
  pageBox,
  placeOn,
} from './support/reader';
import { Pen, wave } from './support/pen';

/** Pages are arranged in their table. */

const printIn = (path: string): string => textOf(new Uint8Array(readFileSync(path)));

/** What the pages of the table are headed with, in order: their text stands beside them. */
const order = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll('[data-cell]')].map(
      (cell) => cell.getAttribute('aria-label') ?? '',
    ),
  );

test('pages are chosen, turned, copied, moved by keys, by number and by hand, removed, and leave so', async ({
  page,
}) => {
  await goToDocument(page, 'How barnacles choose a rock');
  const pen = await Pen.of(page);
  await pen.draw(wave(...(await placeOn(page, 1, 0.3, 0.3)), 90));
  await kept(page);
  await command(page, 'Page table');
  const table = panel(page, 'Pages');
  await table.getByRole('button', { name: 'Arrange' }).click();
  await table.getByLabel('Choose pages').fill('2-3, 5');
  await table.getByLabel('Choose pages').press('Enter');
  await expect(table.getByText('3 chosen')).toBeVisible();
  await expect(table.getByRole('checkbox', { name: 'Page 5' })).toBeChecked();
  await table.getByRole('checkbox', { name: 'Page 5' }).click();
  await expect(table.getByText('2 chosen')).toBeVisible();
  await table.getByLabel('Choose pages').fill('2-99');
  await table.getByLabel('Choose pages').press('Enter');
  await expect(table.getByRole('alert')).toHaveText('There is no page “2-99”.');
  await table.getByRole('button', { name: 'Turn right' }).click();
  await table.getByRole('button', { name: 'Move …' }).click();
  const move = page.getByRole('dialog', { name: 'Move 2 pages' });
  await move.getByRole('button', { name: 'To the beginning' }).click();
  await expect(move).toBeHidden();
  // The page with ink is the third now.
  await expect.poll(() => order(page)).toContain('Page 3, 1 mark');
  const inked = table.getByRole('checkbox', { name: /1 mark$/ });
  await inked.focus();
  await page.keyboard.press('Alt+ArrowLeft');
  await expect.poll(() => order(page)).toContain('Page 2, 1 mark');
  await expect(inked).toBeFocused();
  await page.keyboard.press('ArrowRight');
  await expect(table.getByRole('checkbox', { name: 'Page 3', exact: true })).toBeFocused();
  const [from, to] = [
    await inked.boundingBox(),
    await table.getByRole('checkbox', { name: 'Page 4' }).boundingBox(),
  ];
  if (!from || !to) throw new Error('The pages are not there.');
  await page.mouse.move(from.x + 40, from.y + 40);
  await page.mouse.down();
  await page.mouse.move(from.x + 60, from.y + 60, { steps: 3 });
  await page.mouse.move(to.x + to.width - 4, to.y + 30, { steps: 4 });
  await page.mouse.up();
  await expect.poll(() => order(page)).toContain('Page 4, 1 mark');
  await table.getByRole('button', { name: 'Choose many' }).click();
  await page.getByRole('menuitem', { name: 'None' }).click();
  await inked.click();
  await table.getByRole('button', { name: 'Duplicate pages' }).click();
  await expect.poll(() => order(page)).toContain('Page 5, 1 mark');
  await table.getByLabel('Choose pages').fill('6-7');
  await table.getByLabel('Choose pages').press('Enter');
  await table.getByRole('button', { name: 'Remove pages' }).click();
  await expect.poll(() => order(page)).toHaveLength(5);
  // Paper after each of two, and taken back.
  await table.getByLabel('Choose pages').fill('1-2');
  await table.getByLabel('Choose pages').press('Enter');
  await table.getByRole('button', { name: 'More for these pages' }).click();
  await page.getByRole('menuitem', { name: 'Add paper …' }).click();
  const paper = page.getByRole('dialog', { name: 'Add paper' });
  await paper.getByRole('radio', { name: 'Squared' }).click();
  await paper.getByRole('radio', { name: 'After each of the 2' }).click();
  await paper.getByRole('button', { name: 'Add 2 pages' }).click();
  await expect.poll(() => order(page)).toHaveLength(7);
  await table.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => order(page)).toHaveLength(5);
  await table.getByRole('button', { name: 'Close' }).click();
  const send = await openSend(page);
  const path = await downloadProved(page, send);
  const copy = await PDFDocument.load(readFileSync(path));
  expect(copy.getPages().map((one) => one.getRotation().angle)).toEqual([90, 90, 0, 0, 0]);
  const texts = printIn(path).split('\f');
  expect(texts[3]).toBe(texts[4]);
});

test('pages are cropped by numbers and shown whole again, on all of them', async ({ page }) => {
  await goToDocument(page, 'Rock-pool zones');
  const shape = async (): Promise<number> => {
    const box = await pageBox(page, 1).boundingBox();
    return box ? Math.round((100 * box.height) / box.width) : 0;
  };
  const whole = await shape();
  await command(page, 'Crop pages …');
  const crop = page.getByRole('dialog', { name: 'Crop pages' });
  await crop.getByLabel('Top, mm').fill('100');
  await crop.getByLabel('Top, mm').press('Enter');
  await expect(crop.getByRole('button', { name: 'Upper left corner' })).toBeVisible();
  await crop.getByRole('radio', { name: 'All pages' }).click();
  await crop.getByRole('button', { name: 'Crop', exact: true }).click();
  await expect.poll(shape).toBeLessThan(whole - 30);
  // What is drawn is as high as the page is now.
  const drawnShape = (): Promise<number> =>
    pageBox(page, 1)
      .locator('[data-layer="paper"] canvas')
      .first()
      .evaluate((canvas: HTMLCanvasElement) => Math.round((100 * canvas.height) / canvas.width));
  await expect.poll(drawnShape).toBeLessThan(whole - 30);
  await kept(page);
  await page.reload();
  await drawn(page, 1);
  expect(await shape()).toBeLessThan(whole - 30);
  // What is cut away is in copies until one says otherwise.
  const cut = await openSend(page);
  expect(printIn(await downloadProved(page, cut))).toContain('Rock-pool zones');
  await cut.getByRole('switch', { name: 'Leave out what is cut away from pages' }).click();
  const left = printIn(await downloadProved(page, cut));
  expect(left).not.toContain('Rock-pool zones');
  expect(left.trim().length).toBeGreaterThan(200);
  await page.keyboard.press('Escape');
  await command(page, 'Crop pages …');
  await expect(crop.getByLabel('Top, mm')).toHaveValue('100');
  await crop.getByRole('button', { name: 'Show all of it again' }).click();
  await expect.poll(shape).toBe(whole);
  await command(page, 'Room to write …');
  const room = page.getByRole('dialog', { name: 'Room to write' });
  await room.getByRole('button', { name: 'Make room' }).click();
  await expect.poll(shape).toBeLessThan(whole - 20);
  const pen = await Pen.of(page);
  const before = await inkOn(page, 1);
  await pen.draw(wave(...(await placeOn(page, 1, 0.85, 0.3)), 30));
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(before + 20);
  const send = await openSend(page);
  const copy = await PDFDocument.load(readFileSync(await downloadProved(page, send)));
  expect(copy.getPage(0).getWidth() - copy.getPage(1).getWidth()).toBeCloseTo(141.7, 0);
});

test('pages of a file and of another document come in, one is replaced, and some become a document of their own', async ({
  page,
}) => {
  await goToDocument(page, 'Rock-pool zones');
  await command(page, 'Add pages of another document …');
  const adding = page.getByRole('dialog', { name: 'Add pages' });
  const give = async (...files: readonly (readonly [string, Buffer])[]): Promise<void> => {
    const chooser = page.waitForEvent('filechooser');
    await adding.getByRole('button', { name: 'From files …' }).click();
    await (
      await chooser
    ).setFiles(files.map(([name, buffer]) => ({ name, mimeType: 'application/pdf', buffer })));
  };
  const TIDES = readFileSync('demo/documents/tide-log.pdf');
  await give(['Words.pdf', Buffer.from('barnacles')]);
  await expect(adding.getByRole('alert')).toContainText('“Words.pdf”');
  await give(['log.pdf', TIDES], ['shore.pdf', readFileSync('demo/documents/barnacles.pdf')]);
  const both = page.getByRole('dialog', { name: '2 files' });
  await expect(both.getByRole('button', { name: 'Add 9 pages after page 1' })).toBeVisible();
  await both.getByRole('button', { name: 'Close' }).click();
  await command(page, 'Add pages of another document …');
  await give(['log.pdf', TIDES]);
  const log = page.getByRole('dialog', { name: /Tide log/i });
  await expect(log.getByRole('checkbox', { name: 'Page 1' })).toBeChecked();
  await log.getByRole('button', { name: 'None' }).click();
  await log.getByRole('checkbox', { name: 'Page 1' }).click();
  await log.getByRole('button', { name: 'Add 1 page after page 1' }).click();
  await expect(page.getByLabel('Page, 1 to 3')).toHaveValue('2');
  await drawn(page, 2);
  await command(page, 'Replace this page …');
  await page
    .getByRole('dialog', { name: 'Replace a page' })
    .getByRole('button', { name: /^Course handbook/ })
    .click();
  const handbook = page.getByRole('dialog', { name: 'Course handbook' });
  await handbook.getByRole('checkbox', { name: 'Page 3', exact: true }).click();
  await handbook.getByRole('button', { name: 'Replace the page' }).click();
  await kept(page);
  await page.reload();
  await drawn(page, 1);
  const send = await openSend(page);
  const path = await downloadProved(page, send);
  const texts = printIn(path).split('\f');
  expect(texts[0]).toContain('Rock-pool zones');
  expect(texts[1]).toContain('Welcome');
  // What leads to the page came with it.
  expect(outlineAndLabels(new Uint8Array(readFileSync(path))).outline).toEqual([
    { title: 'Welcome', page: 2 },
  ]);
  await send.getByRole('button', { name: 'Close' }).click();
  await command(page, /^Contents and bookmarks/);
  await panel(page, 'Contents').getByRole('link', { name: 'Welcome, page 1' }).click();
  await command(page, 'Split into documents …');
  const split = page.getByRole('dialog', { name: 'Split into documents' });
  await split.getByRole('radio', { name: 'Pages …' }).click();
  await split.getByLabel('Pages of each document').fill('1; 9');
  await expect(split.getByRole('status')).toHaveText('There is no page “9”.');
  await split.getByLabel('Pages of each document').fill('2-3; 1');
  await expect(split.getByRole('button', { name: 'Make 2 documents' })).toBeEnabled();
  await split.getByRole('radio', { name: 'Every so many pages' }).click();
  await split.getByLabel('Pages each').fill('2');
  await split.getByLabel('Pages each').press('Enter');
  await split.getByRole('button', { name: 'Make 2 documents' }).click();
  await expect(page.getByText(/^2 documents lie on the desk/)).toBeVisible();
  await page.getByRole('button', { name: 'Back to the desk' }).click();
  await page.getByRole('button', { name: 'Open Rock-pool zones, part 1' }).click();
  await expect(page.getByLabel('Page, 1 to 2')).toBeVisible();
  await drawn(page, 1);
});

test('pages are numbered from one on, and the numbers are printed and leave so', async ({
  page,
}) => {
  await goToDocument(page, 'How barnacles choose a rock');
  await command(page, 'Page numbers …');
  const sheet = page.getByRole('dialog', { name: 'Page numbers' });
  await sheet.getByRole('radio', { name: 'i, ii, iii', exact: true }).click();
  await sheet.getByLabel('Before the number').fill('R-');
  await expect(sheet.getByText('So: R-i, R-ii, R-iii …')).toBeVisible();
  await sheet.getByRole('button', { name: 'Number from here' }).click();
  await expect(sheet.getByText(/^From page R-i on/)).toBeVisible();
  await sheet.getByRole('radio', { name: 'Head, outside' }).click();
  await sheet.getByRole('button', { name: 'Print the numbers' }).click();
  await sheet.getByRole('button', { name: 'Close' }).click();
  await kept(page);
  const send = await openSend(page);
  const path = await downloadProved(page, send);
  const pages = textOf(new Uint8Array(readFileSync(path))).split('\f');
  expect(pages.slice(0, 6).map((text) => /R-[ivx]+/.exec(text)?.[0])).toEqual(
    ['i', 'ii', 'iii', 'iv', 'v', 'vi'].map((n) => `R-${n}`),
  );
  const doc = await PDFDocument.load(readFileSync(path));
  expect(doc.catalog.toString()).toContain('/PageLabels');
});
