import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { textOf } from '../references/support/programs';
import {
  command,
  downloadProved,
  dragOver,
  goToDocument,
  inkOn,
  kept,
  openMarks,
  openSend,
  placeOn,
  take,
} from './support/reader';
import { sound } from './support/sound';

/** What must not leave lies beneath bars, and is in no copy. */

test('an area and words are redacted, listed, taken back, and are not in the copy', async ({
  page,
}) => {
  await goToDocument(page, 'How barnacles choose a rock');
  await command(page, 'Redact areas and words');
  await dragOver(page, 1, [0.1, 0.05], [0.6, 0.1]);
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(500);
  await kept(page);

  // A word that is selected goes everywhere, in one step.
  await take(page, 'Word picker');
  await page.mouse.dblclick(...(await placeOn(page, 1, 0.26, 0.187)));
  const chosen = page.getByRole('group', { name: 'Selected words' });
  await expect(chosen).toBeVisible();
  await chosen.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: 'Redact everywhere' }).click();
  await expect(page.getByText(/^Redacted: \d+ places on \d+ pages\./)).toBeVisible();
  await openMarks(page);
  const rows = page.getByRole('button', { name: /^Go to Redaction/ });
  await expect(rows.first()).toBeVisible();
  await sound(page);
  await page.keyboard.press('Escape');
  await kept(page);

  const send = await openSend(page);
  // Nor is it to be the name of the file.
  await expect(send.getByRole('alert')).toContainText('The name says what lies beneath a bar');
  const path = await downloadProved(page, send);
  await expect(send.getByText('What lies beneath the bars is not in it.')).toBeVisible();
  const text = textOf(new Uint8Array(readFileSync(path)));
  expect(text).not.toContain('How barnacles choose a rock');
  expect(text).toContain('Six feeding stages');
});
