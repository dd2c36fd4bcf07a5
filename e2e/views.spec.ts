import { expect, type Page, test } from '@playwright/test';
import { PNG } from 'pngjs';
import {
  command,
  drawn,
  goToDocument,
  kept,
  openMarks,
  pageBox,
  placeOn,
  take,
} from './support/reader';
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
  await goToDocument(page, 'Rock-pool zones');
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
  await goToDocument(page, 'How barnacles choose a rock');
  const width = () =>
    page.locator('[data-page="1"]').evaluate((one) => one.getBoundingClientRect().width);
  const before = await width();
  await page.getByTestId('stage').focus();
  await page.keyboard.press('Control+8');
  await expect.poll(width).toBeGreaterThan(1.9 * before);
  await page.keyboard.press('Control+8');
  await expect.poll(width).toBeCloseTo(before, 0);
});

test('facing pages, one at a time, and turned: each is marked where it is seen, and stands so again', async ({
  page,
}) => {
  await goToDocument(page, 'How barnacles choose a rock');
  const lefts = async (...numbers: number[]) =>
    Promise.all(numbers.map(async (n) => (await pageBox(page, n).boundingBox())?.x ?? 0));

  await page.keyboard.press('Shift+D');
  await page.keyboard.press('PageDown');
  await drawn(page, 3);
  const [left, right] = await lefts(2, 3);
  expect(right).toBeGreaterThan(left + 300);

  await page.keyboard.press('Shift+P');
  await expect(pageBox(page, 1)).toBeHidden();
  await expect(pageBox(page, 3)).toBeVisible();
  await page.keyboard.press('Shift+D');
  await expect(pageBox(page, 3)).toBeHidden();
  await page.mouse.move(640, 400);
  await page.mouse.wheel(0, 200);
  await expect(pageBox(page, 3)).toBeVisible();
  await expect(pageBox(page, 2)).toBeHidden();

  await page.keyboard.press('Shift+P');
  await page.keyboard.press('Shift+R');
  await drawn(page, 3);
  await take(page, 'Word highlighter');
  const pen = await Pen.of(page);
  // Down what is seen as the height of the window runs a line of print.
  const { x } = (await pageBox(page, 3).boundingBox()) ?? { x: 0 };
  await pen.draw(line([x + 300, 200], [x + 300, 400]));
  await kept(page);
  await openMarks(page);
  await expect(page.getByRole('complementary', { name: 'Marks' })).toContainText(/\w+ \w+ \w+ \w+/);
  await page.waitForTimeout(600);
  await page.reload();
  await drawn(page, 3);
  const box = await pageBox(page, 3).boundingBox();
  expect(box && box.width > box.height).toBe(true);
});
