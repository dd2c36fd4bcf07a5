import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { line } from './support/pen';
import {
  addFile,
  drawn,
  kept,
  openMarks,
  openSend,
  openWorksheet,
  placeOn,
} from './support/reader';

const PASSWORD = 'Ebbe über Flut 7';

async function downloaded(page: Page): Promise<{ path: string; bytes: Uint8Array }> {
  const download = page.waitForEvent('download');
  await page
    .getByRole('dialog', { name: 'Send' })
    .getByRole('button', { name: 'Download' })
    .click();
  const path = await (await download).path();
  return { path, bytes: new Uint8Array(readFileSync(path)) };
}

/** What qpdf tells of a file's lock, and of the password where that does not open it. */
const lockOf = (path: string, password: string): string =>
  spawnSync('qpdf', ['--show-encryption', `--password=${password}`, path], { encoding: 'utf8' })
    .stdout;

test('a living copy leaves locked, says so, comes back with its password and every mark, and leaves locked again', async ({
  page,
}) => {
  const pen = await openWorksheet(page);
  await pen.draw(line(await placeOn(page, 1, 0.2, 0.4), await placeOn(page, 1, 0.6, 0.4)));
  await kept(page);
  const sheet = await openSend(page);
  await sheet.getByRole('radio', { name: 'A living copy' }).click();
  await sheet.getByRole('radio', { name: 'A link' }).click();
  // A link has a password of its own.
  await expect(sheet.getByRole('switch', { name: 'Protect the copy' })).toHaveCount(0);
  await sheet.getByRole('radio', { name: 'Download', exact: true }).click();
  await sheet.getByRole('switch', { name: 'Protect the copy' }).click();
  await expect(sheet.getByText('Set a password, or switch something off.')).toBeVisible();
  await expect(sheet.getByRole('button', { name: 'Download' })).toBeDisabled();
  await sheet.getByLabel('Password for the copy').fill(PASSWORD);
  await sheet.getByRole('switch', { name: 'It may be printed' }).click();
  const living = await downloaded(page);
  await expect(page.getByTestId('proof')).toContainText('It opens with its password only.');
  const told = lockOf(living.path, PASSWORD);
  expect(told).toContain('file encryption method: AESv3');
  expect(told).toContain('print high resolution: not allowed');
  expect(told).toContain('extract for any purpose: allowed');
  expect(lockOf(living.path, '')).toContain('Incorrect password');

  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Back to the desk' }).click();
  await addFile(page, 'from a colleague.pdf', living.bytes);
  await expect(page.getByText(/^This PDF is locked with a password/)).toBeVisible();
  await page.getByRole('textbox', { name: 'Password' }).fill('Flut');
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await expect(page.getByRole('alert')).toHaveText('That password does not open this PDF.');
  await page.getByRole('textbox', { name: 'Password' }).fill(PASSWORD);
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await drawn(page, 1);
  await openMarks(page);
  await expect(page.getByText(/^1 mark/)).toBeVisible();
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await sheet.getByRole('radio', { name: 'A fixed copy' }).click();
  await sheet.getByRole('switch', { name: 'Lock the copy, as the original is' }).click();
  await expect(sheet.getByLabel('Password for the copy')).toHaveValue(PASSWORD);
  const fixed = await downloaded(page);
  await expect(page.getByTestId('copy-made')).not.toContainText('this copy is not');
  await expect(page.getByTestId('proof')).toContainText('every mark found');
  expect(lockOf(fixed.path, PASSWORD)).toContain('print high resolution: allowed');
  expect(lockOf(fixed.path, '')).toContain('Incorrect password');
});
