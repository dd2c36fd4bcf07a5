import { expect, type Page, test } from '@playwright/test';
import { PNG } from 'pngjs';
import { command, openDesk, openDocument, placeOn } from './support/reader';
import { line, Pen } from './support/pen';

/** How paper is seen, and how much of it. */

/** The lightness of the screen at a place, 0–255, the lightest of a few pixels around it. */
async function lightAt(page: Page, [x, y]: readonly [number, number]): Promise<number> {
  const clip = { x: Math.round(x) - 2, y: Math.round(y) - 2, width: 5, height: 5 };
  const { data } = PNG.sync.read(await page.screenshot({ clip }));
  let most = 0;
  for (let i = 0; i < data.length; i += 4)
    most = Math.max(most, (data[i] + data[i + 1] + data[i + 2]) / 3);
  return most;
}

test('by night paper is dark, ink light, and what is written looks so at once; it stays so, and goes again', async ({
  page,
}) => {
  await openDesk(page);
  await openDocument(page, 'Rock-pool zones');
  const margin = await placeOn(page, 1, 0.04, 0.4);
  expect(await lightAt(page, margin)).toBeGreaterThan(250);
  await page.getByTestId('stage').focus();
  await page.keyboard.press('n');
  await expect.poll(() => lightAt(page, margin)).toBeLessThan(60);
  const pen = await Pen.of(page);
  const [from, to] = [await placeOn(page, 1, 0.3, 0.36), await placeOn(page, 1, 0.6, 0.36)];
  await pen.draw(line(from, to));
  const middle = [(from[0] + to[0]) / 2, from[1]] as const;
  await expect.poll(() => lightAt(page, middle)).toBeGreaterThan(130);
  await page.reload();
  await expect.poll(() => lightAt(page, margin)).toBeLessThan(60);
  await command(page, 'Sepia paper');
  await expect.poll(() => lightAt(page, margin)).toBeGreaterThan(200);
  expect(await lightAt(page, margin)).toBeLessThan(245);
  await command(page, 'Sepia paper');
  await expect.poll(() => lightAt(page, margin)).toBeGreaterThan(250);
});

test('a column fills the width, and the page again', async ({ page }) => {
  await openDesk(page);
  await openDocument(page, 'How barnacles choose a rock');
  const width = () =>
    page.locator('[data-page="1"]').evaluate((one) => one.getBoundingClientRect().width);
  const before = await width();
  await page.getByTestId('stage').focus();
  await page.keyboard.press('Control+8');
  await expect.poll(width).toBeGreaterThan(1.9 * before);
  await page.keyboard.press('Control+8');
  await expect.poll(width).toBeCloseTo(before, 0);
});
