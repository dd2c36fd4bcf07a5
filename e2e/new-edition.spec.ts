import { PDFDocument } from '@cantoo/pdf-lib';
import { expect, type Locator, type Page, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { textOf } from '../references/support/programs';
import {
  command,
  downloadProved,
  inkOn,
  kept,
  openSend,
  openWorksheet,
  panel,
  placeOn,
} from './support/reader';
import { sound } from './support/sound';
import { wave } from './support/pen';

/** A new edition arrives for a document with marks. */

const SECOND = readFileSync('demo/documents/rock-pool-zones-2.pdf');

/** Gives the sheet a file as the new edition. */
async function give(page: Page, sheet: Locator, buffer: Buffer): Promise<void> {
  const chooser = page.waitForEvent('filechooser');
  await sheet.getByRole('button', { name: 'From a file …' }).click();
  await (await chooser).setFiles({ name: 'second.pdf', mimeType: 'application/pdf', buffer });
}

test('marks are carried over to the second edition, looked through before, and back in one step', async ({
  page,
}) => {
  const pen = await openWorksheet(page);
  // An answer to the first question, and a mark in the field for the name.
  await pen.draw(wave(...(await placeOn(page, 1, 0.15, 0.245)), 90));
  await pen.draw(wave(...(await placeOn(page, 1, 0.22, 0.13)), 60));
  await kept(page);
  const inked = await inkOn(page, 1);
  await command(page, /^Carry over/);
  const sheet = page.getByRole('dialog', { name: 'Carry over to a new edition' });
  await give(page, sheet, readFileSync('demo/documents/rock-pool-zones.pdf'));
  await expect(sheet.getByRole('alert')).toHaveText(
    'This is the file that the document shows already.',
  );
  await give(page, sheet, SECOND);
  await expect(sheet.getByRole('status')).toContainText('2 marks:');
  await expect(sheet.getByRole('img', { name: 'Where it goes' })).toHaveCount(2);
  await sound(page);
  await sheet.getByRole('checkbox').last().click();
  await sheet.getByRole('button', { name: 'Carry 1 over' }).click();
  await expect(sheet).toBeHidden();
  const waiting = page.getByRole('button', { name: /^Put here/ });
  await expect(waiting).toHaveCount(1);
  await panel(page, 'Waiting')
    .getByRole('button', { name: /^Close/ })
    .click();
  const send = await openSend(page);
  await expect(send.getByText('1 mark waits for a place, and is not in the copy.')).toBeVisible();
  await send.getByRole('button', { name: 'Close' }).click();
  await command(page, /^Marks that wait/);
  await waiting.click();
  await expect(page.getByLabel('Page, 1 to 3')).toBeVisible();
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(0.5 * inked);
  await kept(page);
  await page.reload();
  await expect(page.getByLabel('Page, 1 to 3')).toBeVisible();
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(0.5 * inked);
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Page, 1 to 2')).toBeVisible();
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(0.8 * inked);
});

test('a locked edition is opened with its password, a mark is moved by hand, and its pages are asked for after a reload', async ({
  page,
}) => {
  const locked = await PDFDocument.load(SECOND);
  locked.encrypt({ userPassword: 'kelp' });
  const pen = await openWorksheet(page);
  await pen.draw(wave(...(await placeOn(page, 1, 0.15, 0.245)), 90));
  await kept(page);
  await command(page, /^Carry over/);
  const sheet = page.getByRole('dialog', { name: 'Carry over to a new edition' });
  await give(page, sheet, Buffer.from(await locked.save()));
  await sheet.getByLabel('Password').fill('weed');
  await sheet.getByRole('button', { name: 'Open', exact: true }).click();
  await expect(sheet.getByRole('alert')).toHaveText('That password does not open this PDF.');
  await sheet.getByLabel('Password').fill('kelp');
  await sheet.getByLabel('Password').press('Enter');
  await expect(sheet.getByRole('status')).toContainText('1 mark:');
  await sheet.getByRole('button', { name: /^Move: / }).click();
  const move = page.getByRole('dialog', { name: /^Move: / });
  await move.getByRole('button', { name: 'The next page' }).click();
  const place = move.getByRole('button', { name: 'Where it goes' });
  await place.focus();
  const from = await place.boundingBox();
  for (let n = 0; n < 10; n++) await page.keyboard.press('Shift+ArrowDown');
  await expect
    .poll(async () => (await place.boundingBox())?.y ?? 0)
    .toBeGreaterThan((from?.y ?? 0) + 10);
  await sound(page);
  await move.getByRole('button', { name: 'Put it here' }).click();
  await expect(sheet.getByText('Where you have put it')).toBeVisible();
  await sheet.getByRole('button', { name: 'Carry 1 over' }).click();
  await expect(sheet).toBeHidden();
  const field = page.getByLabel('Page, 1 to 3');
  await field.fill('2');
  await field.press('Enter');
  await expect.poll(() => inkOn(page, 2)).toBeGreaterThan(100);
  await kept(page);

  // The password is stored nowhere.
  await page.reload();
  const paper = page.locator('[data-layer="paper"] canvas');
  await page.getByRole('button', { name: 'Open them …' }).click();
  await expect(paper).toHaveCount(0);
  const unlock = page.getByRole('dialog', { name: 'Open locked pages' });
  await unlock.getByLabel('Password').fill('weed');
  await unlock.getByLabel('Password').press('Enter');
  await expect(unlock.getByRole('alert')).toHaveText('That password does not open this PDF.');
  await page.keyboard.press('Escape');
  const send = await openSend(page);
  await send.getByRole('button', { name: 'Download' }).click();
  await expect(send.getByRole('alert')).toContainText(
    'Some pages come from a file that is locked.',
  );
  await page.keyboard.press('Escape');
  await command(page, 'Open locked pages …');
  await unlock.getByLabel('Password').fill('kelp');
  await unlock.getByLabel('Password').press('Enter');
  await expect(unlock).toBeHidden();
  await expect(paper.first()).toBeAttached();
  await expect(page.getByRole('button', { name: 'Open them …' })).toBeHidden();
  const path = await downloadProved(page, await openSend(page));
  expect(textOf(new Uint8Array(readFileSync(path)))).toContain('Before you go down');
});
