import { expect, type Page, test } from '@playwright/test';
import { circle, line, Pen } from './support/pen';
import {
  command,
  drawn,
  inkOn,
  kept,
  openDesk,
  openDocument,
  pageBox,
  placeOn,
  take,
} from './support/reader';

test.beforeEach(async ({ page }) => openDesk(page));

const width = async (page: Page, number = 1) =>
  (await pageBox(page, number).boundingBox())?.width ?? 0;
/** Device pixels of the drawn paper across the width of what is shown of the page. */
const sharpness = (page: Page) =>
  page.evaluate(() => {
    const holder = document.querySelector('[data-page="1"]');
    const canvas = holder?.firstElementChild?.querySelector('canvas');
    if (!holder || !canvas) return 0;
    return canvas.width / canvas.getBoundingClientRect().width;
  });

test('is sharp at every zoom, drawn anew after zooming, in tiles when large', async ({ page }) => {
  await openDocument(page, 'How barnacles choose a rock');
  await expect.poll(() => sharpness(page)).toBeCloseTo(1, 1);
  for (let i = 0; i < 8; i++) await page.getByRole('button', { name: 'Zoom in' }).click();
  await expect(page.getByText('800 %')).toBeVisible();
  await expect.poll(() => sharpness(page), { timeout: 20_000 }).toBeCloseTo(1, 1);
  const tiles = await page.locator('[data-page="1"] canvas').count();
  expect(tiles).toBeGreaterThan(3);
  const largest = await page.evaluate(() =>
    Math.max(...[...document.querySelectorAll('canvas')].map((c) => c.width * c.height)),
  );
  expect(largest).toBeLessThanOrEqual(8_000_000);
  for (let i = 0; i < 20; i++) await page.getByRole('button', { name: 'Zoom out' }).click();
  await expect(page.getByText('10 %')).toBeVisible();
  await expect.poll(() => sharpness(page)).toBeCloseTo(1, 1);
});

test('keeps the old picture until the new one is ready', async ({ page }) => {
  await openDocument(page, 'How barnacles choose a rock');
  await page.evaluate(() => {
    const w = window as unknown as { blanks: number };
    w.blanks = 0;
    const look = () => {
      const paper = document.querySelector('[data-page="1"]')?.firstElementChild;
      if (paper && paper.querySelectorAll('canvas').length === 0) w.blanks++;
      requestAnimationFrame(look);
    };
    look();
  });
  for (let i = 0; i < 4; i++) {
    await page.getByRole('button', { name: 'Zoom in' }).click();
    await page.waitForTimeout(250);
  }
  await expect.poll(() => sharpness(page)).toBeCloseTo(1, 1);
  expect(await page.evaluate(() => (window as unknown as { blanks: number }).blanks)).toBe(0);
});

test('fits the width and the page, and goes to the page whose name is typed', async ({ page }) => {
  await openDocument(page, 'Course handbook');
  const field = page.getByLabel('Page, 1 to 39');
  await field.fill('17');
  await field.press('Enter');
  // The cover and the contents are called i and ii.
  await drawn(page, 19);
  await expect(field).toHaveValue('17');
  await field.fill('400');
  await field.press('Enter');
  await expect(field).toHaveValue('17');
  const wide = await width(page, 19);
  await page.keyboard.press('Control+9');
  await expect.poll(() => width(page, 19)).toBeLessThan(wide * 0.6);
  const box = await pageBox(page, 19).boundingBox();
  expect(box && box.y >= 48 && box.y + box.height <= 800).toBe(true);
  await command(page, 'Fit width');
  await expect.poll(() => width(page, 19)).toBeCloseTo(wide, 0);
});

test('everything can be done by keyboard', async ({ page }) => {
  await openDocument(page, 'Rock-pool zones');
  const pen = await Pen.of(page);
  const [x, y] = await placeOn(page, 1, 0.5, 0.35);
  await pen.draw(circle(x, y, 50));
  await expect(page.getByRole('button', { name: 'Take the circle' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Take the circle' })).toBeHidden();
  await page.keyboard.press('Control+z');
  await expect.poll(() => inkOn(page, 1)).toBe(0);
  await pen.draw(circle(x, y, 50));
  await expect(page.getByRole('button', { name: 'Take the circle' })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Take the circle' })).toBeHidden();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect.poll(() => inkOn(page, 1)).toBe(0);
  await page.keyboard.press('Control+y');
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(100);

  await page.keyboard.press('6');
  await expect(page.getByRole('button', { name: /^Eraser/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.keyboard.press('2');
  await expect(page.getByRole('button', { name: /^Marking pen/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  const field = page.getByLabel('Page, 1 to 2');
  await page.keyboard.press('PageDown');
  await expect(field).toHaveValue('2');
  await page.keyboard.press('Home');
  await expect(field).toHaveValue('1');
  const before = await width(page);
  await page.keyboard.press('Control++');
  await expect.poll(() => width(page)).toBeGreaterThan(before * 1.2);
  await page.keyboard.press('Control+0');
  await expect.poll(() => width(page)).toBeCloseTo(before, 0);
  await page.keyboard.press('Shift+?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeHidden();
  const edge = page.getByRole('slider', { name: /Fore-edge/ });
  await edge.focus();
  await page.keyboard.press('End');
  await expect(edge).toHaveAttribute('aria-valuenow', '2');
});

test('ink and width of an instrument can be changed, and stay changed', async ({ page }) => {
  await openDocument(page, 'Rock-pool zones');
  await take(page, 'Marking pen');
  await take(page, 'Marking pen');
  await page.getByRole('radio', { name: 'Verdigris' }).click();
  await page.getByRole('radio', { name: '2.5', exact: true }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Close', exact: true }).click();
  await page.reload();
  await drawn(page, 1);
  await expect(
    page.getByRole('button', { name: 'Marking pen, Verdigris green, 2.5 mm' }),
  ).toBeVisible();
});

test('the figure pen tidies unasked and gives the ink back', async ({ page }) => {
  await openDocument(page, 'Rock-pool zones');
  const pen = await Pen.of(page);
  await take(page, 'Figure pen');
  const [x, y] = await placeOn(page, 1, 0.5, 0.35);
  await pen.draw(circle(x, y, 60));
  await expect(page.getByRole('button', { name: /Back to ink/ })).toBeVisible();
  await kept(page);
  await page.getByRole('button', { name: /Back to ink/ }).click();
  await expect(page.getByRole('button', { name: /Back to ink/ })).toBeHidden();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect.poll(() => inkOn(page, 1)).toBe(0);
});

test('the 800 pages of the almanac open, scroll without blank pages lingering, and let go of what is past', async ({
  page,
}) => {
  await page.getByRole('button', { name: /Add “Tide almanac”/ }).click();
  await page.getByRole('button', { name: 'Open Tide almanac' }).click({ timeout: 30_000 });
  await drawn(page, 1);
  const field = page.getByLabel('Page, 1 to 800');
  for (const target of [400, 799, 12]) {
    await field.fill(String(target));
    await field.press('Enter');
    await drawn(page, target);
  }
  await page.mouse.move(600, 400);
  let most = 0;
  for (let i = 0; i < 60; i++) {
    await page.mouse.wheel(0, 900);
    const { canvases, pixels } = await page.evaluate(() => {
      const all = [...document.querySelectorAll('canvas')];
      return { canvases: all.length, pixels: all.reduce((n, c) => n + c.width * c.height, 0) };
    });
    most = Math.max(most, pixels);
    expect(canvases).toBeLessThan(40);
  }
  // At 4 bytes a pixel: less than 130 MB for everything that is drawn.
  expect(most * 4).toBeLessThan(130e6);
  const current = Number(await field.inputValue());
  expect(current).toBeGreaterThan(30);
  await expect(page.locator(`[data-page="${current}"][data-drawn]`)).toBeAttached({
    timeout: 3000,
  });
  expect(await page.locator('[data-page]').count()).toBeLessThan(6);
});

test('where the eraser passes in a hurry, everything it touched goes in one step', async ({
  page,
}) => {
  await openDocument(page, 'Rock-pool zones');
  const pen = await Pen.of(page);
  const [x, y] = await placeOn(page, 1, 0.3, 0.33);
  for (let i = 0; i < 3; i++) await pen.draw(line([x + 60 * i, y], [x + 60 * i, y + 70]));
  await kept(page);
  const all = await inkOn(page, 1);
  await take(page, 'Eraser');
  await pen.draw(line([x - 30, y + 30], [x + 160, y + 36], 4), { pause: 0 });
  await expect.poll(() => inkOn(page, 1)).toBe(0);
  await page.keyboard.press('Control+z');
  await expect.poll(() => inkOn(page, 1)).toBe(all);
});
