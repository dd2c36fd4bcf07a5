import { expect, type Page, test } from '@playwright/test';
import { circle, line, type Pen, type Point, wave } from './support/pen';
import {
  command,
  drawn,
  inkOn,
  kept,
  openWorksheet,
  pageBox,
  placeOn,
  take,
} from './support/reader';

let pen: Pen;
test.beforeEach(async ({ page }) => {
  pen = await openWorksheet(page);
});

const top = async (page: Page, number = 1) => (await pageBox(page, number).boundingBox())?.y ?? NaN;

async function finger(points: readonly Point[]): Promise<void> {
  await pen.fingers('touchStart', [points[0]]);
  for (const point of points.slice(1)) await pen.fingers('touchMove', [point]);
  await pen.fingers('touchEnd', []);
}

test('a pen is remembered beyond a reload; what the finger wrote is taken back; fingers write again when told to', async ({
  page,
}) => {
  const [x, y] = await placeOn(page, 1, 0.3, 0.3);
  await finger(line([x, y], [x + 90, y + 20], 10));
  await kept(page);
  expect(await inkOn(page, 1)).toBeGreaterThan(50);
  await expect(page.getByText('One finger writes; two move')).toBeVisible();
  await pen.draw(wave(x, y + 120, 60));
  const offered = page.getByText('A pen is here');
  await expect(offered).toBeVisible();
  await expect(page.getByText('One finger writes; two move')).toBeHidden();
  await kept(page);
  const both = await inkOn(page, 1);
  await page.getByRole('button', { name: 'Take back what the finger wrote' }).click();
  await expect(offered).toBeHidden();
  await kept(page);
  const left = await inkOn(page, 1);
  expect(left).toBeLessThan(both);
  expect(left).toBeGreaterThan(50);

  await page.reload();
  await drawn(page, 1);
  const before = await top(page);
  await finger(line([640, 500], [640, 400], 8));
  await expect.poll(() => top(page)).toBeLessThan(before - 80);
  expect(await inkOn(page, 1)).toBe(left);
  // It glides on.
  await expect
    .poll(async () => {
      const at = await top(page);
      await page.waitForTimeout(150);
      return (await top(page)) - at;
    })
    .toBe(0);

  await command(page, 'Settings');
  await page.getByRole('radio', { name: 'Fingers write' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  const now = await top(page);
  await finger(line([640, 400], [720, 440], 10));
  await kept(page);
  expect(await inkOn(page, 1)).toBeGreaterThan(left + 40);
  expect(await top(page)).toBe(now);
});

test('the instrument in hand, the page, the place in it and the zoom are there again after a reload', async ({
  page,
}) => {
  await take(page, 'Fine highlighter');
  await page.getByTestId('stage').hover();
  await page.mouse.wheel(0, 1200);
  await page.keyboard.down('Control');
  await page.mouse.wheel(0, -40);
  await page.keyboard.up('Control');
  await drawn(page, 2);
  // The place is kept when the paper has rested.
  await page.waitForTimeout(900);
  const before = await pageBox(page, 2).boundingBox();
  await page.reload();
  await drawn(page, 2);
  const after = await pageBox(page, 2).boundingBox();
  expect(after?.y).toBeCloseTo(before?.y ?? NaN, 0);
  expect(after?.width).toBeCloseTo(before?.width ?? NaN, 0);
  await expect(page.getByRole('button', { name: /^Fine highlighter/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
});

test('after a jump the way back is offered, by button and by key', async ({ page }) => {
  await page.getByTestId('stage').hover();
  const still = await top(page);
  await page.mouse.wheel(0, 120);
  await expect.poll(() => top(page)).toBe(still - 120);
  const before = await top(page);
  await page.keyboard.press('End');
  const back = page.getByRole('button', { name: 'Back to page 1' });
  await back.click();
  await expect(back).toBeHidden();
  expect(await top(page)).toBeCloseTo(before, 0);
  await page.keyboard.press('End');
  await expect(back).toBeVisible();
  await page.keyboard.press('Alt+ArrowLeft');
  expect(await top(page)).toBeCloseTo(before, 0);
});

test('a polygon that is begun is seen as begun: undo takes a corner back, Send finishes it', async ({
  page,
}) => {
  await take(page, 'Figure pen');
  await take(page, 'Figure pen');
  await page.getByRole('dialog').getByRole('radio', { name: 'Polygon', exact: true }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  const tap = async (u: number, v: number) => {
    const at = await placeOn(page, 1, u, v);
    await pen.draw([at, at]);
  };
  await tap(0.3, 0.3);
  await tap(0.6, 0.3);
  await expect(page.getByText(/^Tap the first corner to close/)).toBeVisible();
  await tap(0.6, 0.4);
  await tap(0.1, 0.1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(page.getByText('1 mark drawn into the pages.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await expect(page.getByRole('button', { name: 'Change the polygon' })).toBeVisible();
  // Three corners were left.
  await expect(page.getByRole('button', { name: /^Move corner/ })).toHaveCount(3);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => inkOn(page, 1)).toBe(0);
  // What is too little goes, when another instrument is taken.
  await tap(0.3, 0.3);
  await take(page, 'Fine pen');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
});

test('a pen that comes down beside the paper writes from its edge on, also from the fore-edge', async ({
  page,
}) => {
  await page.keyboard.press('Control+9');
  await drawn(page, 1);
  const box = await pageBox(page, 1).boundingBox();
  if (!box) throw new Error('The page is not there.');
  const y = box.y + 0.4 * box.height;
  await pen.draw(line([box.x - 60, y], [box.x + 80, y + 4], 20));
  await kept(page);
  const first = await inkOn(page, 1);
  expect(first).toBeGreaterThan(60);
  const edge = await page.getByRole('slider', { name: /Fore-edge/ }).boundingBox();
  if (!edge) throw new Error('The fore-edge is not there.');
  const from: Point = [edge.x + 10, edge.y + edge.height - 20];
  await pen.draw(line(from, [box.x + box.width - 80, y + 60], 30));
  await kept(page);
  expect(await inkOn(page, 1)).toBeGreaterThan(first + 40);
  expect((await pageBox(page, 1).boundingBox())?.y).toBe(box.y);
  // On its thumb a pen scrubs.
  const thumb = await page.locator('[data-thumb]').boundingBox();
  if (!thumb) throw new Error('The thumb is not there.');
  await pen.draw(line([thumb.x + 8, thumb.y + 8], [thumb.x + 8, edge.y + edge.height - 4], 10));
  expect(await top(page)).toBeLessThan(box.y - 100);
});

test('an offer folds to a tag and comes back; a dot made on a chip that has just come is ink', async ({
  page,
}) => {
  const [x, y] = await placeOn(page, 1, 0.5, 0.3);
  await pen.draw(circle(x, y, 50));
  const chip = page.getByRole('button', { name: 'Take the circle' });
  await expect(chip).toBeVisible();
  const tag = page.getByRole('button', { name: 'Circle? Show what is offered' });
  await expect(tag).toBeVisible({ timeout: 9_000 });
  await expect(chip).toBeHidden();
  await tag.click();
  await chip.click();
  await expect(page.getByRole('button', { name: 'Done with the figure' })).toBeVisible();
  await page.keyboard.press('Escape');

  await kept(page);
  await pen.draw(circle(x, y + 150, 50));
  await expect(chip).toBeVisible();
  const box = await chip.boundingBox();
  const before = await inkOn(page, 1);
  const on: Point = [(box?.x ?? 0) + 20, (box?.y ?? 0) + 22];
  await pen.draw([on, on]);
  await kept(page);
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(before);
  await expect(chip).toBeHidden();
});
