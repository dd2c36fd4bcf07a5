import { AxeBuilder } from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { textOf } from '../references/support/programs';
import { command, downloadProved, goToDocument, kept, openSend, placeOn } from './support/reader';

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
  const axe = new AxeBuilder({ page }).setLegacyMode(true).include('[role=dialog]');
  expect((await axe.analyze()).violations.map(({ id, nodes }) => [id, nodes[0].html])).toEqual([]);
  await says.fill('long '.repeat(60));
  await expect(sheet.getByRole('alert')).toContainText('too long for the line');
  await says.fill('1. Which zone of the shore is never dry?');
  await sheet.getByRole('button', { name: 'Correct' }).click();
  await expect(sheet).toBeHidden();
  await kept(page);
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
