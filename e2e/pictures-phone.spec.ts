import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { loadImage, createCanvas } from '@napi-rs/canvas';
import { expect, type Page, test } from '@playwright/test';
import { held, photograph, QUARTERS, TOLD_OF_IT } from '../core/testing/photographs';
import {
  command,
  downloadProved,
  drawn,
  inkOn,
  kept,
  openMarks,
  openSend,
  openWorksheet,
} from './support/reader';

/** Has the next question for a file answered with a picture. */
async function givePicture(page: Page, name: string, mimeType: string, buffer: Buffer) {
  const chooser = page.waitForEvent('filechooser');
  await command(page, 'Put a picture on the page');
  await (await chooser).setFiles({ name, mimeType, buffer });
}

/** Which quarter's colour is nearest, at the middles of the quarters of what lies on a page, in reading order. */
async function quartersOn(picture: Buffer, scale: number): Promise<number[]> {
  const image = await loadImage(picture);
  const canvas = createCanvas(image.width, image.height);
  const ctx = canvas.getContext('2d');
  ctx.drawImage(image, 0, 0);
  const { data, width, height } = ctx.getImageData(0, 0, image.width, image.height);
  // The picture is all that is strongly coloured.
  let [left, top, right, foot] = [Infinity, Infinity, -1, -1];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const k = 4 * (y * width + x);
      const levels = [data[k], data[k + 1], data[k + 2]];
      if (Math.max(...levels) - Math.min(...levels) < 60) continue;
      [left, right] = [Math.min(left, x), Math.max(right, x)];
      [top, foot] = [Math.min(top, y), Math.max(foot, y)];
    }
  expect((right - left) / scale).toBeGreaterThan(20);
  const levelsOf = (colour: string) => [1, 3, 5].map((k) => parseInt(colour.slice(k, k + 2), 16));
  return [0.25, 0.75].flatMap((v) =>
    [0.25, 0.75].map((u) => {
      const [x, y] = [left + u * (right - left), top + v * (foot - top)].map(Math.round);
      const k = 4 * (y * width + x);
      const apart = QUARTERS.map((colour) =>
        levelsOf(colour).reduce((sum, level, c) => sum + Math.abs(level - data[k + c]), 0),
      );
      return apart.indexOf(Math.min(...apart));
    }),
  );
}

/** A page of a PDF as poppler draws it, two pixels a point. */
const byPoppler = (path: string): Buffer =>
  spawnSync('pdftoppm', ['-f', '1', '-l', '1', '-r', '144', '-png', path], {
    maxBuffer: 50_000_000,
  }).stdout;

test('a photograph is put on the page as its camera was held, described, cropped and turned, and leaves as it is seen, without what was told of it', async ({
  page,
}) => {
  await openWorksheet(page);
  await givePicture(page, 'Shore.jpg', 'image/jpeg', held(photograph(1600, 1000), 6));
  await expect(page.getByRole('button', { name: 'Change' })).toBeVisible();
  await command(page, /^Describe, crop and turn/);
  const sheet = page.getByRole('dialog', { name: 'Picture' });
  const said = sheet.getByLabel('What is to be seen on it');
  await said.fill('Limpets at low water');
  // What was typed last is kept, however the sheet is closed.
  await page.keyboard.press('Escape');
  await command(page, /^Describe, crop and turn/);
  await expect(said).toHaveValue('Limpets at low water');
  // The camera was held upright, to be turned clockwise: what it stored as its lower left corner is the upper left one.
  const shown = await sheet.getByRole('img').screenshot();
  expect(await quartersOn(shown, 1)).toEqual([2, 0, 3, 1]);
  await expect(sheet.getByRole('button', { name: 'Crop' })).toBeDisabled();
  const corner = sheet.getByRole('button', { name: 'Lower right corner' });
  await corner.focus();
  for (let k = 0; k < 5; k++) await page.keyboard.press('Shift+ArrowUp');
  await sheet.getByRole('button', { name: 'Crop' }).click();
  await expect(sheet.getByRole('button', { name: 'Crop' })).toBeDisabled();
  await sheet.getByRole('button', { name: 'Turn right' }).click();
  await sheet.getByRole('button', { name: 'Close' }).click();
  await kept(page);
  await page.reload();
  await drawn(page, 1);
  const send = await openSend(page);
  const path = await downloadProved(page, send);
  const bytes = readFileSync(path);
  expect(bytes.includes(TOLD_OF_IT)).toBe(false);
  // Its upper half, turned clockwise once more.
  expect(await quartersOn(byPoppler(path), 2)).toEqual([2, 2, 0, 0]);
});

test('a photograph is upright however its camera was held', async ({ page }) => {
  await openWorksheet(page);
  const photo = photograph(400, 240);
  /** Which quarter as stored is seen where, in reading order (EXIF 2.3, tag 0x0112). */
  const seen: Readonly<Record<number, readonly number[]>> = {
    ...{ 1: [0, 1, 2, 3], 2: [1, 0, 3, 2], 3: [3, 2, 1, 0], 4: [2, 3, 0, 1] },
    ...{ 5: [0, 2, 1, 3], 6: [2, 0, 3, 1], 7: [3, 1, 2, 0], 8: [1, 3, 0, 2] },
  };
  const sheet = page.getByRole('dialog', { name: 'Picture' });
  for (const [orientation, quarters] of Object.entries(seen)) {
    await givePicture(page, 'Shore.jpg', 'image/jpeg', held(photo, Number(orientation)));
    await expect(page.getByRole('button', { name: 'Change' })).toBeVisible();
    await command(page, /^Describe, crop and turn/);
    const shown = await sheet.getByRole('img').screenshot();
    expect([orientation, await quartersOn(shown, 1)]).toEqual([orientation, quarters]);
    await page.keyboard.press('Escape');
    await page.keyboard.press('Delete');
    await expect(page.getByRole('button', { name: 'Change' })).toHaveCount(0);
  }
});

test('what is no sound picture is refused in a sentence; a drawing of numbers runs nothing and fetches nothing', async ({
  page,
}) => {
  await openWorksheet(page);
  const wanted: string[] = [];
  page.on('request', (request) => wanted.push(request.url()));
  const empty = await inkOn(page, 1);
  const whole = photograph(400, 240);
  await givePicture(page, 'Cut off.jpg', 'image/jpeg', whole.subarray(0, 90));
  await expect(page.getByText('“Cut off.jpg”')).toBeVisible();
  await givePicture(page, 'Words.png', 'image/png', Buffer.from('barnacles'));
  await expect(page.getByText('“Words.png” is no picture that can be read')).toBeVisible();
  const bomb = Buffer.from(
    '89504e470d0a1a0a0000000d49484452000186a0000186a00802000000000000000000000049454e4400000000',
    'hex',
  );
  await givePicture(page, 'Large.png', 'image/png', bomb);
  await expect(page.getByText(/“Large.png” has 10000 megapixels/)).toBeVisible();
  const within = Buffer.from(
    '89504e470d0a1a0a0000000d49484452000000080000000608020000000000000000000008494441540102030405060708000000000000000049454e4400000000',
    'hex',
  );
  await givePicture(page, 'Within.png', 'image/png', within);
  await expect(page.getByText('“Within.png” is damaged and cannot be opened.')).toBeVisible();
  expect(await inkOn(page, 1)).toBe(empty);
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 60">
    <script>fetch('/ran')</script><image href="/fetched.png" width="9" height="9"/>
    <style>@import url(/styled.css);</style><rect width="100" height="60" fill="#2456a8"/></svg>`;
  await givePicture(page, 'Pool.svg', 'image/svg+xml', Buffer.from(svg));
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(empty + 2000);
  expect(wanted.filter((url) => /ran|fetched|styled/.test(url))).toEqual([]);
  await page.keyboard.press('Delete');
  await expect.poll(() => inkOn(page, 1)).toBe(empty);
  // One that is simple comes as outlines, and is cropped as such.
  const simple = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 60"><title>Two pools</title>
    <script>fetch('/ran')</script><rect width="45" height="60" fill="#2456a8"/>
    <circle cx="75" cy="30" r="20" fill="none" stroke="#a5313b" stroke-width="6"/></svg>`;
  await givePicture(page, 'Pools.svg', 'image/svg+xml', Buffer.from(simple));
  await expect(page.getByRole('button', { name: 'Change the graphic' })).toBeVisible();
  await command(page, /^Describe, crop and turn/);
  const about = page.getByRole('dialog', { name: 'Picture' });
  await expect(about.getByLabel('What is to be seen on it')).toHaveValue('Two pools');
  await about.getByRole('button', { name: 'Lower left corner' }).focus();
  for (let k = 0; k < 20; k++) await page.keyboard.press('ArrowRight');
  const uncut = await inkOn(page, 1);
  await about.getByRole('button', { name: 'Crop' }).click();
  await expect.poll(() => inkOn(page, 1)).toBeLessThan(uncut - 500);
  await about.getByRole('button', { name: 'Close' }).click();
  await openMarks(page);
  await expect(
    page.getByRole('button', { name: /^Go to Graphic, page 1, Two pools/ }),
  ).toBeVisible();
  expect(wanted.filter((url) => /ran/.test(url))).toEqual([]);
  await page.keyboard.press('Escape');
  // Where there is no camera the sample stands in.
  const drawing = await inkOn(page, 1);
  await command(page, /^Photograph something/);
  await expect(page.getByText(/^There is no camera here: a sample photograph/)).toBeVisible();
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(drawing + 2000);
});

test('the paper of a photographed signature is taken out, and the print beneath is seen through it', async ({
  page,
}) => {
  const canvas = createCanvas(600, 240);
  const ctx = canvas.getContext('2d');
  const light = ctx.createLinearGradient(0, 0, 600, 240);
  light.addColorStop(0, '#efeade');
  light.addColorStop(1, '#a8a398');
  ctx.fillStyle = light;
  ctx.fillRect(0, 0, 600, 240);
  ctx.strokeStyle = '#1f3361';
  ctx.lineWidth = 9;
  ctx.beginPath();
  for (let x = 60; x < 540; x++) ctx.lineTo(x, 120 + 60 * Math.sin(x / 40));
  ctx.stroke();
  await openWorksheet(page);
  await givePicture(page, 'Signed.jpg', 'image/jpeg', canvas.toBuffer('image/jpeg'));
  await expect(page.getByRole('button', { name: 'Change' })).toBeVisible();
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(20_000);
  const before = await inkOn(page, 1);
  await command(page, /^Describe, crop and turn/);
  const sheet = page.getByRole('dialog', { name: 'Picture' });
  await sheet.getByRole('button', { name: 'Take the paper out' }).click();
  await expect(async () => {
    // While it is unpacked nothing is seen of it.
    const ink = await inkOn(page, 1);
    expect(ink).toBeGreaterThan(0.02 * before);
    expect(ink).toBeLessThan(0.2 * before);
  }).toPass();
  await sheet.getByRole('button', { name: 'Close' }).click();
  await kept(page);
  const send = await openSend(page);
  await downloadProved(page, send);
});
