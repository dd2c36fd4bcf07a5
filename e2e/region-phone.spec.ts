import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { PNG } from 'pngjs';
import { line, type Point, wave } from './support/pen';
import {
  command,
  drawn,
  inkOn,
  kept,
  openSend,
  openWorksheet,
  pageBox,
  placeOn,
} from './support/reader';

async function downloaded(page: Page): Promise<PNG> {
  const download = page.waitForEvent('download');
  await page
    .getByRole('dialog', { name: 'Send' })
    .getByRole('button', { name: 'Download' })
    .click();
  const file = await download;
  expect(file.suggestedFilename()).toMatch(/, part of page 1\.png$/);
  return PNG.sync.read(readFileSync(await file.path()));
}

test('a part of a page, framed by hand, leaves as a picture with what is drawn on it there, and with nothing else', async ({
  page,
}) => {
  const pen = await openWorksheet(page);
  await pen.draw(wave(...(await placeOn(page, 1, 0.2, 0.3)), 150));
  await pen.draw(line(await placeOn(page, 1, 0.2, 0.25), await placeOn(page, 1, 0.6, 0.25)));
  // What is offered there makes way for the frame.
  await expect(page.getByRole('button', { name: 'Line' })).toBeVisible();
  await kept(page);
  const own = await inkOn(page, 1);
  const sheet = await openSend(page);
  await sheet.getByRole('radio', { name: 'Part of a page …' }).click();
  await expect(sheet).toBeHidden();
  const ways = page.getByRole('group', { name: 'Part of a page' });
  await expect(page.getByRole('button', { name: 'Line' })).toBeHidden();
  await expect(ways).toContainText('Draw a frame around what is to leave');
  // A frame is there already; a drag draws another one, and a corner is moved by its keys.
  await pen.draw(line(await placeOn(page, 1, 0.1, 0.2), await placeOn(page, 1, 0.7, 0.4)));
  const corner = page.getByRole('button', { name: 'Lower right corner of the frame' });
  const before = await corner.boundingBox();
  await corner.focus();
  for (let k = 0; k < 5; k++) await page.keyboard.press('Shift+ArrowDown');
  const after = await corner.boundingBox();
  expect((after?.y ?? 0) - (before?.y ?? 0)).toBeGreaterThan(20);
  for (const name of ['Cancel', 'Take this part'])
    await expect(ways.getByRole('button', { name })).toBeInViewport({ ratio: 1 });
  await ways.getByRole('button', { name: 'Take this part' }).click();
  await expect(sheet.getByRole('radio', { name: 'Part of a page …' })).toBeChecked();
  const pad = sheet.getByRole('img', { name: 'Part of page 1 as it leaves' });
  await expect(pad).toBeVisible();
  await sheet.getByRole('radio', { name: '150 dpi' }).click();
  const bare = await downloaded(page);
  const box = (await pad.boundingBox()) as { x: number; y: number; width: number; height: number };
  expect(bare.width / bare.height).toBeCloseTo(box.width / box.height, 1);
  await pad.scrollIntoViewIfNeeded();
  const { x, y, width, height } = (await pad.boundingBox()) ?? box;
  await pen.draw(line([x + 0.3 * width, y + 0.7 * height], [x + 0.8 * width, y + 0.75 * height]));
  const marked = await downloaded(page);
  expect([marked.width, marked.height]).toEqual([bare.width, bare.height]);
  const inked = (png: PNG): number => png.data.reduce((n, level) => n + (level < 128 ? 1 : 0), 0);
  expect(inked(marked)).toBeGreaterThan(inked(bare) + 200);
  // Framed anew it keeps what was drawn on it.
  await sheet.getByRole('radio', { name: 'Part of a page …' }).click();
  await ways.getByRole('button', { name: 'Take this part' }).click();
  await sheet.getByRole('button', { name: 'Take back a stroke' }).click();
  const again = await downloaded(page);
  expect(inked(again)).toBe(inked(bare));
  await page.keyboard.press('Escape');
  // It was never on the page.
  expect(await inkOn(page, 1)).toBe(own);
});

test('a frame that is not wanted goes by a key, and the pen writes again', async ({ page }) => {
  const pen = await openWorksheet(page);
  const sheet = await openSend(page);
  await sheet.getByRole('radio', { name: 'Part of a page …' }).click();
  await expect(page.getByRole('group', { name: 'Part of a page' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('group', { name: 'Part of a page' })).toBeHidden();
  await drawn(page, 1);
  await pen.draw(wave(...(await placeOn(page, 1, 0.2, 0.3)), 150));
  await kept(page);
});

test('while a part is framed a finger moves the paper once a pen was seen, two of them always, and nothing is written', async ({
  page,
}) => {
  const pen = await openWorksheet(page);
  const fingersGo = async (...tracks: readonly (readonly [Point, Point])[]): Promise<void> => {
    await pen.fingers(
      'touchStart',
      tracks.map(([from]) => from),
    );
    for (let k = 1; k <= 10; k++)
      await pen.fingers(
        'touchMove',
        tracks.map(([[ax, ay], [bx, by]]): Point => [
          ax + (k / 10) * (bx - ax),
          ay + (k / 10) * (by - ay),
        ]),
      );
    await pen.fingers('touchEnd', []);
  };
  const frame = page.getByRole('button', { name: 'Upper left corner of the frame' });
  const corner = async () => (await frame.boundingBox()) ?? { x: 0, y: 0 };
  const pageAt = async () => (await pageBox(page, 1).boundingBox()) ?? { x: 0, y: 0, width: 0 };
  await command(page, 'Send a part of a page');
  await expect(frame).toBeVisible();

  // Before a pen was seen one finger frames, and two make the paper larger.
  await fingersGo([await placeOn(page, 1, 0.08, 0.08), await placeOn(page, 1, 0.5, 0.3)]);
  const [x] = await placeOn(page, 1, 0.08, 0.08);
  expect(Math.abs((await corner()).x + 22 - x)).toBeLessThan(4);
  const { width } = await pageAt();
  const [a, b] = [await placeOn(page, 1, 0.2, 0.2), await placeOn(page, 1, 0.35, 0.2)];
  await fingersGo([a, [a[0] - 40, a[1]]], [b, [b[0] + 40, b[1]]]);
  await expect.poll(async () => (await pageAt()).width).toBeGreaterThan(1.3 * width);

  // The pen frames too; then a finger moves the paper, and the frame with it.
  await pen.draw(line(await placeOn(page, 1, 0.25, 0.2), await placeOn(page, 1, 0.4, 0.25)));
  await page.waitForTimeout(700);
  const [before, at] = [await pageAt(), await corner()];
  await fingersGo([
    [200, 500],
    [200, 380],
  ]);
  await expect.poll(async () => (await pageAt()).y).toBeLessThan(before.y - 90);
  const moved = (await pageAt()).y - before.y;
  await expect.poll(async () => (await corner()).y - at.y - moved).toBeLessThan(30);
  await page.keyboard.press('Escape');
  await expect(frame).toBeHidden();
  expect(await inkOn(page, 1)).toBe(0);
  // The pen writes again.
  await pen.draw(line(await placeOn(page, 1, 0.3, 0.3), await placeOn(page, 1, 0.5, 0.3)));
  await kept(page);
  expect(await inkOn(page, 1)).toBeGreaterThan(50);
});
