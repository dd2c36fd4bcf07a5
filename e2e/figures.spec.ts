import { expect, type Page, test } from '@playwright/test';
import { READ_KINDS } from '@marginalis/core/figures';
import { drawnFigure } from '../core/testing/drawnFigures';
import { line, Pen, type Point } from './support/pen';
import { command, drawn, inkOn, kept, openWorksheet, placeOn, take } from './support/reader';

let pen: Pen;
test.beforeEach(async ({ page }) => {
  await openWorksheet(page);
  pen = await Pen.of(page);
});

const chip = (page: Page) => page.getByRole('group', { name: 'Tidy' });
const bar = (page: Page) => page.getByRole('group', { name: 'Figure' });
const handle = (page: Page, id: string) => page.locator(`[data-handle="${id}"]`);

/** A figure as a hand draws it, `size` pixels large about a place of the screen. */
function strokesFor(
  kind: (typeof READ_KINDS)[number],
  seed: number,
  [x, y]: Point,
  size: number,
): Point[][] {
  const { strokes } = drawnFigure(kind, seed);
  const all = strokes.flat();
  const [left, right] = [Math.min(...all.map((s) => s.x)), Math.max(...all.map((s) => s.x))];
  const [low, high] = [Math.min(...all.map((s) => s.y)), Math.max(...all.map((s) => s.y))];
  const scale = size / Math.max(right - left, high - low);
  return strokes.map((stroke) => {
    const step = Math.ceil(stroke.length / 60);
    return stroke
      .filter((_, i) => i % step === 0 || i === stroke.length - 1)
      .map((s): Point => [
        x + scale * (s.x - (left + right) / 2),
        y - scale * (s.y - (low + high) / 2),
      ]);
  });
}

async function drawAll(strokes: readonly Point[][]): Promise<void> {
  for (const stroke of strokes) await pen.draw(stroke, { pause: 3 });
}

test('every kind of figure is offered where the pen drew it, taken, changed, and all undone', async ({
  page,
}) => {
  test.setTimeout(180_000);
  const at = await placeOn(page, 1, 0.5, 0.36);
  for (const kind of READ_KINDS) {
    const strokes = strokesFor(kind, 11, at, 190);
    await drawAll(strokes);
    const name = kind === 'square' || kind === 'rectangle' ? 'square|rectangle' : kind;
    await chip(page)
      .getByRole('button', { name: new RegExp(`^Take the (${name})(, which meets .*)?$`) })
      .click();
    await expect(bar(page)).toBeVisible();
    const first = page.locator('[data-handle]').first();
    const box = await first.boundingBox();
    if (!box) throw new Error('The figure has no handle.');
    await pen.draw(line([box.x + 22, box.y + 22], [box.x + 34, box.y + 30], 6));
    await kept(page);
    await page.keyboard.press('Control+z');
    await page.keyboard.press('Control+z');
    await expect(bar(page)).toBeHidden();
    for (let k = 0; k < strokes.length; k++) await page.keyboard.press('Control+z');
    await expect.poll(() => inkOn(page, 1), { message: kind }).toBe(0);
  }
});

test('the chip, opened, offers the next readings; ink comes back for ever after', async ({
  page,
}) => {
  await drawAll(strokesFor('square', 4, await placeOn(page, 1, 0.5, 0.36), 180));
  await chip(page).getByRole('button', { name: 'Other figures' }).click();
  await chip(page).getByRole('button', { name: 'Take the rectangle instead' }).click();
  await bar(page).getByRole('button', { name: 'Done with the figure' }).click();
  await kept(page);
  await page.reload();
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(100);
  await take(page, 'Figure pen');
  const [x, y] = await placeOn(page, 1, 0.5, 0.36);
  // A tap on its lower side takes it in hand again.
  for (let dy = 60; dy < 130 && !(await bar(page).isVisible()); dy += 6)
    await pen.draw([[x, y + dy]], {});
  await bar(page).getByRole('button', { name: 'Back to ink' }).click();
  await expect(bar(page)).toBeHidden();
});

test('figures are drawn outright: dragged, with even sides, and tapped corner by corner', async ({
  page,
}) => {
  await take(page, 'Figure pen');
  const draws = async (shape: string) => {
    await take(page, 'Figure pen');
    const sheet = page.getByRole('dialog', { name: 'Figure pen' });
    await sheet.getByRole('radio', { name: shape, exact: true }).click();
    await sheet.getByRole('button', { name: 'Close', exact: true }).click();
  };
  const [x, y] = await placeOn(page, 1, 0.3, 0.3);
  await draws('Rectangle');
  await page.keyboard.down('Shift');
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 120, y + 70, { steps: 6 });
  await page.mouse.up();
  await page.keyboard.up('Shift');
  await expect(bar(page).getByRole('button', { name: 'Change the square' })).toBeVisible();
  await draws('Polygon');
  for (const [dx, dy] of [
    [250, 0],
    [360, 10],
    [350, 110],
    [400, 180],
  ] as const)
    await page.mouse.click(x + dx, y + dy);
  await page.keyboard.press('Backspace');
  await page.mouse.click(x + 262, y + 100);
  await page.keyboard.press('Enter');
  await expect(bar(page).getByRole('button', { name: 'Change the polygon' })).toBeVisible();
  await expect(page.locator('[data-handle^="c"]')).toHaveCount(4);
  // A corner is added by dragging the middle of a side, and taken away by the keyboard.
  await handle(page, 'a0').focus();
  await page.keyboard.press('ArrowUp');
  await expect(page.locator('[data-handle^="c"]')).toHaveCount(5);
  await handle(page, 'c1').focus();
  await page.keyboard.press('Delete');
  await expect(page.locator('[data-handle^="c"]')).toHaveCount(4);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(bar(page)).toBeHidden();
  // A cloud is tapped too, or dragged out at once.
  await draws('Cloud');
  await page.mouse.move(x + 420, y - 150);
  await page.mouse.down();
  await page.mouse.move(x + 560, y - 60, { steps: 6 });
  await page.mouse.up();
  await expect(bar(page).getByRole('button', { name: 'Change the cloud' })).toBeVisible();
});

test('a matching line meets the figures at both its ends, and need not', async ({ page }) => {
  await take(page, 'Figure pen');
  const left = await placeOn(page, 1, 0.3, 0.3);
  const right = await placeOn(page, 1, 0.7, 0.36);
  for (const at of [left, right]) {
    await drawAll(strokesFor('circle', 6, at, 60));
    await expect(chip(page)).toBeVisible();
  }
  const from: Point = [left[0] + 34, left[1] + 2];
  const to: Point = [right[0] - 33, right[1] - 3];
  await pen.draw(line(from, to, 40), { pause: 3 });
  await chip(page).getByRole('button', { name: 'Other figures' }).click();
  await expect(chip(page).getByRole('button', { name: 'Line, as drawn' })).toBeVisible();
  await page.keyboard.press('Escape');
  await command(page, 'Settings');
  await page.getByRole('switch', { name: /^Let figures meet others/ }).click();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await pen.draw(line(from, to, 40), { pause: 3 });
  await expect(chip(page)).toBeVisible();
  await expect(chip(page).getByRole('button', { name: 'Other figures' })).toBeHidden();
});

test('the matching exercise: freehand from an item to its answer gives a clean line that meets both printed dots', async ({
  page,
}) => {
  await page.getByTestId('stage').hover();
  await page.mouse.wheel(0, 900);
  await page.waitForTimeout(600);
  await drawn(page, 1);
  await take(page, 'Figure pen');
  /** A printed dot on the screen: 190 or 342 points from the left, rows of 38 points. */
  const dot = (x: number, row: number): Promise<Point> =>
    placeOn(page, 1, x / 595.28, 1 - (290 - 38 * row) / 841.89);
  const pairs = [
    [0, 2],
    [1, 0],
    [2, 1],
  ] as const;
  // One after the other without waiting: lines that cross are lines all the same.
  for (const [from, to] of pairs) {
    const [a, b] = [await dot(190, from), await dot(342, to)];
    const hand = line([a[0] + 7, a[1] - 4], [b[0] - 6, b[1] + 5], 40).map(([x, y], i): Point => [
      x + Math.sin(i / 6),
      y + 1.5 * Math.sin(i / 9),
    ]);
    await pen.draw(hand, { pause: 3 });
  }
  await kept(page);
  await page.keyboard.press('Escape');
  for (const [from, to] of pairs) {
    const [a, b] = [await dot(190, from), await dot(342, to)];
    // A tap near its beginning, where it crosses no other, shows by its handles where it ends.
    const near: Point = [a[0] + 0.12 * (b[0] - a[0]), a[1] + 0.12 * (b[1] - a[1])];
    await pen.draw([near, near]);
    for (const [id, at] of [
      ['from', a],
      ['to', b],
    ] as const) {
      await expect(handle(page, id)).toBeVisible();
      const box = await handle(page, id).boundingBox();
      if (!box) throw new Error(`There is no handle ${id}.`);
      const off = Math.hypot(box.x + box.width / 2 - at[0], box.y + box.height / 2 - at[1]);
      expect(off).toBeLessThan(1.5);
    }
    await page.keyboard.press('Escape');
  }
});

test('the look of a figure is changed: dashes, inside, arrowheads', async ({ page }) => {
  await drawAll(strokesFor('ellipse', 3, await placeOn(page, 1, 0.5, 0.36), 200));
  await chip(page)
    .getByRole('button', { name: /^Take the/ })
    .click();
  const before = await inkOn(page, 1);
  await bar(page).getByRole('button', { name: 'Change the ellipse' }).click();
  const sheet = page.getByRole('complementary', { name: 'Look' });
  await sheet.getByRole('radio', { name: '35 %' }).click();
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(4 * before);
  await sheet.getByRole('radio', { name: 'Empty' }).click();
  await sheet.getByRole('radio', { name: 'Dotted' }).click();
  await expect.poll(() => inkOn(page, 1)).toBeLessThan(0.85 * before);
  await page.keyboard.press('Escape');
  await bar(page).getByRole('button', { name: 'Remove the figure' }).click();
  await expect.poll(() => inkOn(page, 1)).toBe(0);
  await drawAll(strokesFor('line', 3, await placeOn(page, 1, 0.5, 0.36), 200));
  await chip(page).getByRole('button', { name: 'Take the line' }).click();
  await bar(page).getByRole('button', { name: 'Change the line' }).click();
  await page
    .getByRole('radiogroup', { name: 'Arrowhead at the beginning' })
    .getByRole('radio', { name: 'Large' })
    .click();
  await page.keyboard.press('Escape');
  await expect(bar(page).getByRole('button', { name: 'Change the arrow' })).toBeVisible();
});

test('an arrow from a box of text to a figure stays with both when either is moved', async ({
  page,
}) => {
  const [x, y] = await placeOn(page, 1, 0.2, 0.06);
  await take(page, 'Answer text');
  await page.mouse.click(x, y);
  await expect(page.getByRole('textbox', { name: 'Text', exact: true })).toBeFocused();
  await page.keyboard.type('Splash zone');
  await page.keyboard.press('Escape');
  const draws = async (shape: string) => {
    await take(page, 'Figure pen');
    const sheet = page.getByRole('dialog', { name: 'Figure pen' });
    if (!(await sheet.isVisible())) await take(page, 'Figure pen');
    await sheet.getByRole('radio', { name: shape, exact: true }).click();
    await sheet.getByRole('button', { name: 'Close', exact: true }).click();
  };
  const drag = async (from: Point, to: Point) => {
    await page.mouse.move(...from);
    await page.mouse.down();
    await page.mouse.move((from[0] + to[0]) / 2, (from[1] + to[1]) / 2, { steps: 4 });
    await page.mouse.move(...to, { steps: 4 });
    await page.mouse.up();
  };
  await draws('Rectangle');
  await drag([x + 420, y + 60], [x + 520, y + 130]);
  await draws('Arrow');
  await drag([x + 40, y + 2], [x + 470, y + 95]);
  const ends = async () => {
    const at = async (id: string) => {
      const box = await handle(page, id).boundingBox();
      return [(box?.x ?? 0) + (box?.width ?? 0) / 2, (box?.y ?? 0) + (box?.height ?? 0) / 2];
    };
    return [await at('from'), await at('to')];
  };
  await expect(bar(page).getByRole('button', { name: 'Change the arrow' })).toBeVisible();
  const before = await ends();
  // It ends at the edge of the rectangle.
  expect(before[1][0]).toBeGreaterThan(x + 410);
  expect(before[1][0]).toBeLessThan(x + 435);
  await page.keyboard.press('Escape');
  await take(page, 'Picker');
  await page.mouse.click(x + 20, y);
  await expect(page.getByRole('button', { name: 'Change the text' })).toBeVisible();
  await drag([x + 60, y], [x + 60, y + 180]);
  await page.mouse.click(x + 700, y + 250);
  // The arrow is met where it goes now.
  await page.mouse.click(x + 257, y + 138);
  await expect(bar(page).getByRole('button', { name: 'Change the arrow' })).toBeVisible();
  const after = await ends();
  expect(after[0][1] - before[0][1]).toBeGreaterThan(120);
  expect(Math.abs(after[1][1] - before[1][1])).toBeLessThan(60);
  // One step back takes both back.
  await page.keyboard.press('Control+z');
  await expect.poll(ends).toEqual(before);
});
