import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { createCanvas } from '@napi-rs/canvas';
import { PDFDocument } from '@cantoo/pdf-lib';
import { expect, type Page, test } from '@playwright/test';
import { line, Pen } from './support/pen';
import { addFile, drawn, kept, openDesk, openSend, placeOn } from './support/reader';

/** A photograph of a shore, so to speak, with 600 dots an inch. */
async function shore(): Promise<Uint8Array> {
  const canvas = createCanvas(2000, 1400);
  const ctx = canvas.getContext('2d');
  const sky = ctx.createLinearGradient(0, 0, 300, 1400);
  sky.addColorStop(0, '#8fb6d9');
  sky.addColorStop(0.5, '#e8d9b0');
  sky.addColorStop(1, '#5a4a38');
  ctx.fillStyle = sky;
  ctx.fillRect(0, 0, 2000, 1400);
  for (let k = 0; k < 9000; k++) {
    ctx.fillStyle = `hsla(${(k * 37) % 360}, 30%, ${30 + (k % 40)}%, 0.5)`;
    ctx.fillRect((k * 7919) % 2000, 700 + ((k * 104729) % 700), 9, 5);
  }
  const doc = await PDFDocument.create();
  doc.setTitle('Shore at low water');
  const photo = await doc.embedPng(await canvas.encode('png'));
  doc.addPage([420, 595]).drawImage(photo, { x: 90, y: 300, width: 240, height: 168 });
  return doc.save();
}

const pictures = (path: string): string =>
  spawnSync('pdfimages', ['-list', path], { encoding: 'utf8' }).stdout;

async function downloaded(page: Page): Promise<string> {
  const download = page.waitForEvent('download');
  await page
    .getByRole('dialog', { name: 'Send' })
    .getByRole('button', { name: 'Download' })
    .click();
  return (await download).path();
}

test('a copy leaves with smaller pictures, says how large it was and is, and its marks are found on them', async ({
  page,
}) => {
  await openDesk(page);
  const bytes = await shore();
  await addFile(page, 'shore.pdf', bytes);
  await drawn(page, 1);
  const pen = await Pen.of(page);
  await pen.draw(line(await placeOn(page, 1, 0.4, 0.3), await placeOn(page, 1, 0.6, 0.4)));
  await kept(page);
  const sheet = await openSend(page);
  const question = sheet.getByRole('radiogroup', { name: 'Pictures in it' });
  await question.getByRole('radio', { name: 'Smaller (150 dpi)' }).click();
  // Pictures of pages have their own resolution.
  await sheet.getByRole('radio', { name: 'Pictures', exact: true }).click();
  await expect(question).toHaveCount(0);
  await sheet.getByRole('radio', { name: 'A fixed copy' }).click();
  await expect(question.getByRole('radio', { name: 'Smaller (150 dpi)' })).toBeChecked();
  const path = await downloaded(page);
  await expect(page.getByTestId('copy-made')).toHaveText(
    /^Ready: 1 page, \d+ kB instead of \d+ kB\.$/,
  );
  await expect(page.getByTestId('proof')).toContainText('every mark found');
  const copy = readFileSync(path);
  expect(copy.length).toBeLessThan(bytes.length / 4);
  expect(pictures(path)).toMatch(/ 500 +350 .* 150 +150 /);
  expect(spawnSync('qpdf', ['--check', path]).status).toBe(0);
});
