import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { PNG } from 'pngjs';
import { line, wave } from './support/pen';
import { drawn, inkOn, kept, openWorksheet, placeOn } from './support/reader';

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
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  const sheet = page.getByRole('dialog', { name: 'Send' });
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
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  const sheet = page.getByRole('dialog', { name: 'Send' });
  await sheet.getByRole('radio', { name: 'Part of a page …' }).click();
  await expect(page.getByRole('group', { name: 'Part of a page' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('group', { name: 'Part of a page' })).toBeHidden();
  await drawn(page, 1);
  await pen.draw(wave(...(await placeOn(page, 1, 0.2, 0.3)), 150));
  await kept(page);
});
