import { expect, type Page, test } from '@playwright/test';
import { inkSeen } from './support/inkSeen';
import { line, type Pen, type Point, wave } from './support/pen';
import {
  drawn,
  inkOn,
  kept,
  layerPicture,
  openWorksheet,
  pageBox,
  placeOn,
  rowsCovered,
  take,
} from './support/reader';

let pen: Pen;
test.beforeEach(async ({ page }) => {
  pen = await openWorksheet(page);
});

const top = async (page: Page) => (await pageBox(page, 1).boundingBox())?.y ?? NaN;

/** Height of the ink in one column of the first page, in pixels. */
async function thickness(page: Page, share: number): Promise<number> {
  const { width, height, covered } = await layerPicture(page, 1);
  const at = Math.round(width * share);
  let count = 0;
  for (let y = 0; y < height; y++) count += covered[y * width + at] / 255;
  return count;
}

test('pressure widens the line', async ({ page }) => {
  const from = await placeOn(page, 1, 0.2, 0.35);
  const to = await placeOn(page, 1, 0.8, 0.35);
  await pen.draw(line(from, to, 60), { pressure: (t) => 0.05 + 0.9 * t });
  await kept(page);
  expect(await thickness(page, 0.75)).toBeGreaterThan(1.6 * (await thickness(page, 0.25)));
});

test('live ink is on its canvas in the same turn as the event, before any frame', async ({
  page,
}) => {
  const [x, y] = await placeOn(page, 1, 0.3, 0.4);
  const seen = await page.evaluate(
    ([px, py]) => {
      const stage = document.querySelector('[data-testid=stage]') as HTMLElement;
      stage.setPointerCapture = () => undefined;
      const send = (type: string, dx: number, buttons: number) =>
        stage.dispatchEvent(
          new PointerEvent(type, {
            bubbles: true,
            cancelable: true,
            pointerId: 71,
            pointerType: 'pen',
            clientX: px + dx,
            clientY: py,
            pressure: 0.6,
            button: type === 'pointermove' ? -1 : 0,
            buttons,
          }),
        );
      const live = () => {
        let count = 0;
        for (const canvas of stage.querySelectorAll<HTMLCanvasElement>(
          '[data-layer=live] > canvas',
        )) {
          const data =
            canvas.getContext('2d')?.getImageData(0, 0, canvas.width, canvas.height).data ?? [];
          for (let i = 3; i < data.length; i += 4) if (data[i] > 40) count++;
        }
        return count;
      };
      send('pointerdown', 0, 1);
      send('pointermove', 30, 1);
      const first = live();
      send('pointermove', 60, 1);
      const second = live();
      send('pointerup', 60, 0);
      return { first, second, after: live() };
    },
    [x, y] as const,
  );
  expect(seen.first).toBeGreaterThan(20);
  expect(seen.second).toBeGreaterThan(seen.first * 1.5);
  // It stays in sight until the finished ink is on the page.
  expect(seen.after).toBeGreaterThan(20);
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(40);
  const left = await page.evaluate(() =>
    [...document.querySelectorAll<HTMLCanvasElement>('[data-layer=live] > canvas')].some((c) =>
      c
        .getContext('2d')
        ?.getImageData(0, 0, c.width, c.height)
        .data.some((v) => v > 0),
    ),
  );
  expect(left).toBe(false);
});

test('coalesced events all count: a fast wave keeps its crests', async ({ page }) => {
  const [x, y] = await placeOn(page, 1, 0.2, 0.36);
  await pen.draw(wave(x, y, 500, 30, 200), { pause: 0 });
  await kept(page);
  const rows = rowsCovered(await layerPicture(page, 1));
  const height = Math.max(...rows) - Math.min(...rows);
  // Twice the wave's 30 pixels; events left out would have cut the crests off.
  expect(height).toBeGreaterThan(58);
  expect(height).toBeLessThan(66);
});

test('before a stylus one finger writes; after it a finger moves the paper', async ({ page }) => {
  const from = await placeOn(page, 1, 0.3, 0.3);
  await pen.fingers('touchStart', [from]);
  for (let i = 1; i <= 10; i++) await pen.fingers('touchMove', [[from[0] + 10 * i, from[1]]]);
  await pen.fingers('touchEnd', []);
  await kept(page);
  const written = await inkOn(page, 1);
  expect(written).toBeGreaterThan(50);

  const [x, y] = await placeOn(page, 1, 0.3, 0.42);
  await pen.draw(line([x, y], [x + 80, y]));
  await page.waitForTimeout(700);
  const before = await top(page);
  const ink = await inkOn(page, 1);
  await pen.fingers('touchStart', [[640, 500]]);
  for (let i = 1; i <= 10; i++) await pen.fingers('touchMove', [[640, 500 - 20 * i]]);
  await pen.fingers('touchEnd', []);
  await expect.poll(() => top(page)).toBeLessThan(before - 150);
  expect(await inkOn(page, 1)).toBe(ink);
});

test('two fingers move and zoom, leave no ink, and lifted at once leave the page where it is', async ({
  page,
}) => {
  const spread = (d: number): Point[] => [
    [640 - d, 460 - d],
    [640 + d, 460 - d],
  ];
  const width = async () => (await pageBox(page, 1).boundingBox())?.width ?? 0;
  const before = await width();
  await pen.fingers('touchStart', spread(60));
  for (let d = 60; d <= 120; d += 6) await pen.fingers('touchMove', spread(d));
  const held = await top(page);
  await pen.fingers('touchEnd', []);
  await expect.poll(width).toBeGreaterThan(before * 1.8);
  await page.waitForTimeout(300);
  expect(Math.abs((await top(page)) - held)).toBeLessThan(2);
  await drawn(page, 1);
  expect(await inkOn(page, 1)).toBe(0);
});

test('a palm beside the pen does nothing', async ({ page }) => {
  const [x, y] = await placeOn(page, 1, 0.2, 0.35);
  const before = await top(page);
  await pen.draw(line([x, y], [x + 60, y]), { hold: true });
  await pen.fingers('touchStart', [[x + 90, y + 120]], 40);
  await pen.fingers('touchMove', [[x + 90, y + 20]], 40);
  await pen.draw(line([x + 60, y], [x + 200, y]));
  await pen.fingers('touchEnd', [], 40);
  await kept(page);
  expect(await top(page)).toBe(before);
  expect(await inkOn(page, 1)).toBeGreaterThan(100);
});

test('the barrel button held and the eraser end rub out', async ({ page }) => {
  const [x, y] = await placeOn(page, 1, 0.2, 0.35);
  const stroke = async () => {
    await pen.draw(wave(x, y, 200));
    await kept(page);
    expect(await inkOn(page, 1)).toBeGreaterThan(100);
  };
  await stroke();
  await pen.draw(line([x + 90, y - 30], [x + 90, y + 30]), { button: 'right' });
  await expect.poll(() => inkOn(page, 1)).toBe(0);
  await stroke();
  await page.evaluate(
    ([px, py]) => {
      const stage = document.querySelector('[data-testid=stage]') as HTMLElement;
      stage.setPointerCapture = () => undefined;
      for (const [type, dy, buttons] of [
        ['pointerdown', -30, 32],
        ['pointermove', 0, 32],
        ['pointermove', 30, 32],
        ['pointerup', 30, 0],
      ] as const)
        stage.dispatchEvent(
          new PointerEvent(type, {
            bubbles: true,
            cancelable: true,
            pointerId: 72,
            pointerType: 'pen',
            clientX: px,
            clientY: py + dy,
            button: type === 'pointermove' ? -1 : 5,
            buttons,
          }),
        );
    },
    [x + 90, y] as const,
  );
  await expect.poll(() => inkOn(page, 1)).toBe(0);
});

test('a mouse writes, the wheel moves, ctrl-wheel zooms about the pointer, space drags', async ({
  page,
}) => {
  const [x, y] = await placeOn(page, 1, 0.3, 0.35);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 120, y + 10, { steps: 12 });
  await page.mouse.up();
  await kept(page);
  const ink = await inkOn(page, 1);
  expect(ink).toBeGreaterThan(100);

  const before = await top(page);
  await page.mouse.wheel(0, 200);
  await expect.poll(() => top(page)).toBe(before - 200);
  await page.mouse.wheel(0, -200);
  await expect.poll(() => top(page)).toBe(before);

  const box = await pageBox(page, 1).boundingBox();
  if (!box) throw new Error('The page is not there.');
  const share = (x + 120 - box.x) / box.width;
  await page.keyboard.down('Control');
  await page.mouse.wheel(0, -100);
  await page.keyboard.up('Control');
  await expect
    .poll(async () => (await pageBox(page, 1).boundingBox())?.width ?? 0)
    .toBeGreaterThan(box.width * 1.2);
  const zoomed = await pageBox(page, 1).boundingBox();
  if (!zoomed) throw new Error('The page is not there.');
  expect((x + 120 - zoomed.x) / zoomed.width).toBeCloseTo(share, 2);

  await page.keyboard.down('Space');
  await page.mouse.down();
  await page.mouse.move(x + 120, y - 90, { steps: 5 });
  await page.mouse.up();
  await page.keyboard.up('Space');
  expect(await top(page)).toBeLessThan(zoomed.y - 60);
});

test('hovering shows the nib at its true size', async ({ page }) => {
  await take(page, 'Broad highlighter');
  const [x, y] = await placeOn(page, 1, 0.5, 0.4);
  await pen.hover([x, y]);
  const paper = await pageBox(page, 1).boundingBox();
  if (!paper) throw new Error('The page is not there.');
  // 5 mm of a page that is 210 mm wide, and the light ring of a pixel around it.
  const size = (5 / 210) * paper.width + 2;
  const atFirst = await inkSeen(page, 'ring');
  expect(Math.abs(atFirst.width - size)).toBeLessThan(2);
  expect(Math.abs(atFirst.x + atFirst.width / 2 - x)).toBeLessThan(1);
  await pen.hover([x + 260, y + 40]);
  const later = await inkSeen(page, 'ring');
  expect(Math.abs(later.x + later.width / 2 - (x + 260))).toBeLessThan(1);
  await pen.draw(line([x, y], [x + 100, y]));
  expect((await inkSeen(page, 'ring')).width).toBe(0);
});

test('a highlighter never darkens where it crosses itself, and print shows through', async ({
  page,
}) => {
  await take(page, 'Broad highlighter');
  const [x, y] = await placeOn(page, 1, 0.2, 0.253);
  await pen.draw(line([x, y], [x + 300, y]));
  await pen.draw(line([x + 300, y + 2], [x, y + 2]));
  await kept(page);
  const { covered } = await layerPicture(page, 1, 'highlights');
  const alphas = new Map<number, number>();
  for (const a of covered) alphas.set(a, (alphas.get(a) ?? 0) + 1);
  const colours = [...alphas].filter(([a, n]) => a > 0 && n > 400).map(([a]) => a);
  expect(colours).toEqual([Math.round(0.75 * 255)]);
});

test('a pointer taken away in mid-stroke keeps what was written', async ({ page }) => {
  const [x, y] = await placeOn(page, 1, 0.3, 0.4);
  await page.evaluate(
    ([px, py]) => {
      const stage = document.querySelector('[data-testid=stage]') as HTMLElement;
      stage.setPointerCapture = () => undefined;
      for (const [type, dx] of [
        ['pointerdown', 0],
        ['pointermove', 40],
        ['pointermove', 90],
        ['pointercancel', 0],
      ] as const)
        stage.dispatchEvent(
          new PointerEvent(type, {
            bubbles: true,
            pointerId: 73,
            pointerType: 'pen',
            clientX: px + dx,
            clientY: py,
            pressure: 0.5,
            buttons: 1,
          }),
        );
    },
    [x, y] as const,
  );
  await kept(page);
  expect(await inkOn(page, 1)).toBeGreaterThan(60);
});
