import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { textOf } from '../references/support/programs';
import {
  command,
  downloadProved,
  goToDocument,
  inkOn,
  kept,
  openSend,
  placeOn,
  take,
} from './support/reader';
import { sound } from './support/sound';

/** A printed line says something else, and its old words are gone from what leaves. */

test('a line is tapped and corrected; the copy has the new words as text and not the old ones', async ({
  page,
}) => {
  await goToDocument(page, 'Rock-pool zones');
  await command(page, /^Correct the print/);
  await page.mouse.click(...(await placeOn(page, 1, 0.3, 0.2105)));
  const sheet = page.getByRole('dialog', { name: 'Correct the print' });
  const says = sheet.getByLabel('The line says');
  await expect(says).toHaveValue('1. Which zone of the shore is under water at every tide?');
  await sound(page);
  await says.fill('long '.repeat(60));
  await expect(sheet.getByRole('alert')).toContainText('too long for the line');
  // The print's own letters are taken, as far as they go.
  const own = sheet.getByRole('radio', { name: 'As printed' }).first();
  await expect(own).toBeChecked();
  await says.fill('1. Which of these are never dry? ß');
  await expect(sheet.getByRole('status')).toHaveText(
    'The print has no letter for “ß”: others are taken.',
  );
  await expect(own).not.toBeChecked();
  await says.fill('1. Which zone of the shore is never dry?');
  await expect(own).toBeChecked();
  await sheet.getByRole('button', { name: 'Correct' }).click();
  await expect(sheet).toBeHidden();
  await kept(page);
  // What came is a tap away, and nothing is changed by looking at it.
  await command(page, 'See the print as it came');
  await expect.poll(() => inkOn(page, 1)).toBe(0);
  await command(page, 'See the print as it came');
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(100);
  const send = await openSend(page);
  const path = await downloadProved(page, send);
  const text = textOf(new Uint8Array(readFileSync(path)));
  expect(text).toContain('Which zone of the shore is never dry?');
  expect(text).not.toContain('under water at every tide');
  await send.getByRole('button', { name: 'Close' }).click();

  // It is taken back where it was made.
  await page.mouse.click(...(await placeOn(page, 1, 0.3, 0.2105)));
  await expect(says).toHaveValue('1. Which zone of the shore is never dry?');
  await sheet.getByRole('button', { name: 'As it was printed' }).click();
  await expect(sheet).toBeHidden();
  await page.mouse.click(...(await placeOn(page, 1, 0.3, 0.2105)));
  await expect(says).toHaveValue('1. Which zone of the shore is under water at every tide?');
});

test('a line that stands on every page is corrected on all of them at once, and moved', async ({
  page,
}) => {
  await goToDocument(page, 'How barnacles choose a rock');
  await command(page, /^Correct the print/);
  const foot = await placeOn(page, 1, 0.2, 0.956);
  // Where the page is higher than the window, its foot is reached first.
  await page.mouse.move(foot[0], 500);
  await page.mouse.wheel(0, Math.max(0, foot[1] - 600));
  await expect.poll(async () => (await placeOn(page, 1, 0.2, 0.956))[1]).toBeLessThan(700);
  await page.mouse.click(...(await placeOn(page, 1, 0.2, 0.956)));
  const sheet = page.getByRole('dialog', { name: 'Correct the print' });
  const says = sheet.getByLabel('The line says');
  await expect(says).toHaveValue('Field course reading 3 · Saltmarsh Field Station');
  const elsewhere = sheet.getByRole('group', { name: 'The same line elsewhere' });
  await expect(elsewhere.getByText('It stands at 5 more places.')).toBeVisible();
  await says.fill('Field course reading 4');
  await elsewhere.getByRole('button', { name: 'All of them' }).click();
  await elsewhere.getByRole('checkbox', { name: /^Correct it on page 3/ }).click();
  await sheet.getByLabel('Moved up, points').fill('3');
  await sheet.getByRole('button', { name: 'Correct', exact: true }).click();
  await expect(page.getByText('Corrected at 5 places.')).toBeVisible();
  await kept(page);
  const send = await openSend(page);
  const path = await downloadProved(page, send);
  const text = textOf(new Uint8Array(readFileSync(path)));
  expect(text.match(/Field course reading 4/g)).toHaveLength(5);
  expect(text.match(/Field course reading 3/g)).toHaveLength(2);
});

test('text is typed in the look of printed words', async ({ page }) => {
  await goToDocument(page, 'How barnacles choose a rock');
  await take(page, 'Word picker');
  await page.mouse.dblclick(...(await placeOn(page, 1, 0.26, 0.187)));
  const chosen = page.getByRole('group', { name: 'Selected words' });
  await chosen.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: 'Type like this' }).click();
  const held = page.getByRole('button', { name: /^Like the print, #1a1f2b, 13 pt/ });
  await expect(held).toHaveAttribute('aria-pressed', 'true');
});
