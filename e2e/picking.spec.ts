import { expect, type Page, test } from '@playwright/test';
import { handwriting } from './support/handwriting';
import { circle, line, Pen, type Point, wave } from './support/pen';
import {
  command,
  expectLook,
  inkOn,
  kept,
  layerPicture,
  openWorksheet,
  placeOn,
  take,
} from './support/reader';

let pen: Pen;
test.beforeEach(async ({ page }) => {
  await openWorksheet(page);
  pen = await Pen.of(page);
});

const bar = (page: Page) => page.getByRole('group', { name: 'Picked marks' });
const handle = (page: Page, id: string) => page.locator(`[data-handle="${id}"]`);
const undo = (page: Page) => page.getByRole('button', { name: 'Undo' }).click();

/** The middle of a handle on the screen. */
async function middle(page: Page, id: string): Promise<Point> {
  const box = await handle(page, id).boundingBox();
  if (!box) throw new Error(`There is no handle ${id}.`);
  return [box.x + box.width / 2, box.y + box.height / 2];
}

async function write(page: Page, text: string, u: number, v: number, size = 30): Promise<Point> {
  const at = await placeOn(page, 1, u, v);
  for (const stroke of handwriting(text, at[0], at[1], size)) await pen.draw(stroke, { pause: 2 });
  await kept(page);
  return at;
}
const around = ([x, y]: Point, w: number, h: number): Point[] => [
  ...line([x, y], [x + w, y], 8),
  ...line([x + w, y], [x + w, y + h], 8),
  ...line([x + w, y + h], [x, y + h], 8),
  ...line([x, y + h], [x, y + 4], 8),
];

test('a lasso picks writing; it is moved, scaled, turned by the pen, and all is undone', async ({
  page,
}) => {
  const [x, y] = await write(page, 'limpet', 0.3, 0.3);
  const before = await inkOn(page, 1);
  await take(page, 'Picker');
  await pen.draw(around([x - 14, y - 40], 190, 70));
  await expect(bar(page)).toBeVisible();
  const first = await middle(page, 'move');
  await pen.draw(line(first, [first[0] + 60, first[1] + 90], 10));
  const moved = await middle(page, 'move');
  expect(moved[0] - first[0]).toBeCloseTo(60, -0.5);
  expect(moved[1] - first[1]).toBeCloseTo(90, -0.5);
  const corner = await middle(page, 'se');
  await pen.draw(line(corner, [corner[0] + 80, corner[1] + 30], 10));
  expect(await inkOn(page, 1)).toBeGreaterThan(1.2 * before);
  const turn = await middle(page, 'turn');
  await pen.draw(line(turn, [turn[0] + 90, turn[1] + 60], 10));
  await kept(page);
  for (let k = 0; k < 3; k++) await undo(page);
  const back = await middle(page, 'move');
  expect(Math.hypot(back[0] - first[0], back[1] - first[1])).toBeLessThan(1.5);
  expect(await inkOn(page, 1)).toBe(before);
});

test('a tap picks the word, a double tap the stroke, a tap beside lays all down', async ({
  page,
}) => {
  const [x, y] = await write(page, 'acorn', 0.3, 0.3, 40);
  await take(page, 'Picker');
  const on: Point = [x + 4, y - 9];
  const strokes = handwriting('acorn', x, y, 40);
  const place = strokes[0][Math.floor(strokes[0].length / 2)];
  await pen.draw([place, place]);
  await expect(bar(page)).toBeVisible();
  await expect(page.getByRole('button', { name: /^Change \d+ marks/ })).toBeVisible();
  await page.waitForTimeout(500);
  await page.keyboard.press('Escape');
  await expect(bar(page)).toBeHidden();
  await pen.draw([place, place]);
  await pen.draw([place, place]);
  await expect(page.getByRole('button', { name: 'Change the ink' })).toBeVisible();
  const beside: Point = [on[0] + 420, on[1] - 60];
  await pen.draw([beside, beside]);
  await expect(bar(page)).toBeHidden();
});

test('by keyboard alone: all picked, nudged, copied, pasted, grouped, removed, undone', async ({
  page,
}) => {
  await write(page, 'kelp', 0.3, 0.3);
  const before = await inkOn(page, 1);
  await page.getByTestId('stage').focus();
  await page.keyboard.press('Control+a');
  await expect(bar(page)).toBeVisible();
  const first = await middle(page, 'move');
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('ArrowDown');
  const nudged = await middle(page, 'move');
  expect(nudged[0]).toBeGreaterThan(first[0] + 8);
  expect(nudged[1]).toBeGreaterThan(first[1] + 0.5);
  await page.keyboard.press('Control+g');
  await page.keyboard.press('Control+c');
  await page.waitForTimeout(400);
  await page.keyboard.press('Control+v');
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(1.5 * before);
  await page.keyboard.press('Delete');
  await expect.poll(() => inkOn(page, 1)).toBeLessThan(1.1 * before);
  await page.keyboard.press('Control+z');
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(1.5 * before);
  await kept(page);
});

test('what is picked gets another look, and place and size in millimetres', async ({ page }) => {
  const [x, y] = await write(page, 'rock', 0.3, 0.3);
  await take(page, 'Picker');
  await pen.draw(around([x - 14, y - 40], 150, 70));
  await page.getByRole('button', { name: /^Change \d+ marks/ }).click();
  await page.getByRole('radio', { name: 'Vermilion' }).click();
  await page.getByRole('radio', { name: '1.5', exact: true }).click();
  await page.getByRole('textbox', { name: 'Author' }).fill('Rosa');
  // It stands beside the page, and what is picked is still in hand when it goes.
  await page.getByRole('button', { name: 'Close look' }).click();
  await expect(bar(page)).toBeVisible();
  const colour = await page.evaluate(() => {
    for (const c of document.querySelectorAll<HTMLCanvasElement>(
      '[data-page="1"] [data-layer="ink"] canvas',
    )) {
      const data = c.getContext('2d')?.getImageData(0, 0, c.width, c.height).data ?? [];
      for (let i = 0; i < data.length; i += 4)
        if (data[i + 3] === 255) return [data[i], data[i + 1], data[i + 2]];
    }
    return null;
  });
  expect(colour).toEqual([0xc2, 0x2f, 0x17]);
  await page.getByRole('button', { name: /^More for/ }).click();
  const left = page.getByRole('textbox', { name: 'From the left, mm' });
  await left.fill('90');
  await left.press('Enter');
  await expect(left).toHaveValue('90');
  const width = page.getByRole('textbox', { name: 'Width, mm' });
  await width.fill('minus');
  await expect(page.getByText('A number from 0.5 to 5000.')).toBeVisible();
  await width.fill('60');
  await width.press('Enter');
  await expect(width).toHaveValue('60');
  await expect(left).toHaveValue('90');
});

test('a mark that is dragged over the border of its page goes to the next one', async ({
  page,
}) => {
  await command(page, 'Fit page');
  await page.keyboard.press('Escape');
  const at = await placeOn(page, 1, 0.4, 0.9);
  await pen.draw(wave(at[0], at[1], 60));
  await kept(page);
  await take(page, 'Picker');
  await pen.draw(around([at[0] - 12, at[1] - 16], 90, 32));
  await expect(bar(page)).toBeVisible();
  await page.mouse.move(at[0], at[1]);
  await page.mouse.wheel(0, 300);
  await page.waitForTimeout(300);
  const from = await middle(page, 'move');
  const to = await placeOn(page, 2, 0.4, 0.12);
  await pen.draw(line(from, to, 14));
  await expect.poll(() => inkOn(page, 2)).toBeGreaterThan(20);
  expect(await inkOn(page, 1)).toBe(0);
  await undo(page);
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(20);
});

test('the rubber takes parts, and only what it is for; the page is cleared; all comes back', async ({
  page,
}) => {
  const [x, y] = await placeOn(page, 1, 0.3, 0.3);
  await pen.draw(wave(x, y, 220, 5));
  await take(page, 'Broad highlighter');
  await pen.draw(line([x, y + 2], [x + 220, y + 2]));
  await kept(page);
  const [pens, lights] = [await inkOn(page, 1), await inkOn(page, 1, 'highlights')];
  const whole = await layerPicture(page, 1);
  await take(page, 'Eraser');
  await take(page, 'Eraser');
  await page.getByRole('radio', { name: 'What it passes over' }).click();
  await page.getByRole('radio', { name: 'Pen', exact: true }).click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  // A sheet that is still fading catches the pen.
  await expect(page.getByRole('dialog')).toBeHidden();
  await pen.draw(line([x + 110, y - 40], [x + 110, y + 40], 12), { hold: true });
  // While the rubber is down, what it takes is gone already.
  await expect.poll(() => inkOn(page, 1)).toBeLessThan(pens);
  await pen.lift([x + 110, y + 40]);
  await kept(page);
  const left = await inkOn(page, 1);
  expect(left).toBeGreaterThan(0.7 * pens);
  expect(left).toBeLessThan(0.97 * pens);
  expect(await inkOn(page, 1, 'highlights')).toBe(lights);
  const rubbed = await layerPicture(page, 1);
  // Both pieces are one mark still.
  await take(page, 'Picker');
  const on: Point = [x + 20, y];
  await pen.draw(around([x - 10, y - 20], 240, 40));
  await expect(bar(page)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Change 2 marks' })).toBeVisible();
  // Until they are told otherwise.
  await page.getByRole('button', { name: /^More for/ }).click();
  await page.getByRole('button', { name: 'Take the pieces apart' }).click();
  await expect(page.getByRole('button', { name: 'Change 3 marks' })).toBeVisible();
  await expectLook(page, 1, rubbed);
  await undo(page);
  await page.keyboard.press('Escape');
  await take(page, 'Eraser');
  await take(page, 'Eraser');
  await page.getByRole('button', { name: 'Clear page 1' }).click();
  await expect.poll(() => inkOn(page, 1)).toBe(0);
  await undo(page);
  await expectLook(page, 1, rubbed);
  await undo(page);
  await expectLook(page, 1, whole);
  expect(on[0]).toBeGreaterThan(x);
});

test('a mouse picks and rubs, a finger picks with a wider reach', async ({ page }) => {
  const [x, y] = await placeOn(page, 1, 0.3, 0.3);
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (const [px, py] of wave(x, y, 120, 10)) await page.mouse.move(px, py);
  await page.mouse.up();
  await kept(page);
  await take(page, 'Picker');
  await page.touchscreen.tap(x + 60, y + 16);
  await expect(page.getByRole('button', { name: 'Change the ink' })).toBeVisible();
  const from = await middle(page, 'move');
  await page.mouse.move(...from);
  await page.mouse.down();
  await page.mouse.move(from[0] + 40, from[1] + 30, { steps: 5 });
  await page.mouse.up();
  const to = await middle(page, 'move');
  expect(to[0] - from[0]).toBeCloseTo(40, -0.5);
  await page.keyboard.press('Escape');
  await take(page, 'Eraser');
  await page.mouse.move(to[0] - 30, to[1] - 40);
  await page.mouse.down();
  await page.mouse.move(to[0] + 20, to[1] + 40, { steps: 12 });
  await page.mouse.up();
  await expect.poll(() => inkOn(page, 1)).toBe(0);
});

test('lines drawn round with a rectangle; groups and locked marks keep together and stay', async ({
  page,
}) => {
  const [x, y] = await placeOn(page, 1, 0.3, 0.3);
  await pen.draw(circle(x, y, 30));
  await page.keyboard.press('Escape');
  await pen.draw(wave(x + 80, y, 60, 10));
  await kept(page);
  await take(page, 'Picker');
  await take(page, 'Picker');
  await page.getByRole('radio', { name: 'A rectangle' }).click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await pen.draw(line([x - 50, y - 50], [x + 170, y + 50], 12));
  await page.getByRole('button', { name: 'More for 2 marks' }).click();
  await page.getByRole('button', { name: 'Group', exact: true }).click();
  await page.keyboard.press('Escape');
  await pen.draw([
    [x + 80, y],
    [x + 80, y],
  ]);
  await page.getByRole('button', { name: 'More for 2 marks' }).click();
  await page.getByRole('button', { name: 'Lock', exact: true }).click();
  await expect(bar(page)).toBeHidden();
  await pen.draw([
    [x + 80, y],
    [x + 80, y],
  ]);
  await expect(bar(page)).toBeHidden();
  await take(page, 'Eraser');
  const before = await inkOn(page, 1);
  await pen.draw(line([x - 50, y], [x + 170, y], 12));
  expect(await inkOn(page, 1)).toBe(before);
});
