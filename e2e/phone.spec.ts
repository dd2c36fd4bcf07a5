import { expect, test } from '@playwright/test';
import { handwriting } from './support/handwriting';
import { circle, line, Pen, type Point, wave } from './support/pen';
import {
  command,
  goToDocument,
  inkOn,
  kept,
  makeCopy,
  makeLink,
  openDesk,
  openDocument,
  openMarks,
  openWorksheet,
  pageBox,
  placeOn,
  take,
} from './support/reader';

test('the page has the screen: one thin bar above, the pen roll below within the thumb’s reach', async ({
  page,
}) => {
  await goToDocument(page, 'Rock-pool zones');
  const bar = await page.getByRole('banner').boundingBox();
  const roll = await page.getByRole('toolbar', { name: 'Pen roll' }).boundingBox();
  const paper = await pageBox(page, 1).boundingBox();
  expect(bar?.height).toBeLessThanOrEqual(52);
  expect(roll && roll.y + roll.height).toBe(844);
  expect(roll?.height).toBeLessThanOrEqual(60);
  expect(paper?.width).toBeGreaterThan(330);
});

test('every control on every screen is at least 44 pixels either way', async ({ page }) => {
  const small = () =>
    page.evaluate(() =>
      [
        ...document.querySelectorAll(
          'button, [role=button], [role=radio], [role=menuitem], input, [role=slider]',
        ),
      ]
        .filter((e) => (e as HTMLElement).offsetParent !== null && !e.closest('[aria-hidden=true]'))
        .map((e) => ({
          name: e.getAttribute('aria-label') ?? e.textContent,
          box: e.getBoundingClientRect(),
        }))
        .filter(({ box }) => box.width > 0 && (box.height < 43.5 || box.width < 28))
        .map(({ name, box }) => `${name} ${Math.round(box.width)} × ${Math.round(box.height)}`),
    );
  await openDesk(page);
  expect(await small()).toEqual([]);
  await page.getByRole('button', { name: 'More about Tide log, scanned' }).click();
  await page.getByRole('menuitem', { name: 'Remove from the desk' }).click();
  await page.getByRole('button', { name: 'Undo' }).waitFor();
  // It grows as it appears.
  await page.waitForTimeout(500);
  expect(await small()).toEqual([]);
  await openDocument(page, 'Rock-pool zones');
  expect(await small()).toEqual([]);
  await page.getByRole('button', { name: /^Fine pen/ }).click();
  await page.getByRole('radio', { name: 'Vermilion' }).waitFor();
  expect(await small()).toEqual([]);
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  const pen = await Pen.of(page);
  const [x, y] = await placeOn(page, 1, 0.4, 0.3);
  await pen.draw(wave(x, y, 60));
  await kept(page);
  await page.keyboard.press('Control+a');
  for (const [button, there, close] of [
    [/^Change the ink/, 'Author', 'Close look'],
    [/^More for/, 'Width, mm', 'Close'],
  ] as const) {
    await page.getByRole('button', { name: button }).click();
    await page.getByRole('textbox', { name: there }).waitFor();
    await page.waitForTimeout(300);
    expect(await small()).toEqual([]);
    await page.getByRole('button', { name: close, exact: true }).click();
    // A sheet that fades away has a button still.
    await expect(page.getByRole('dialog')).toBeHidden();
  }
  await openMarks(page);
  await page.getByRole('button', { name: /^Go to/ }).waitFor();
  expect(await small()).toEqual([]);
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await makeCopy(page);
  await makeLink(page);
  await page.getByTestId('link').waitFor();
  expect(await small()).toEqual([]);
});

test('a finger writes, the chip is offered beside the ink and never covers it', async ({
  page,
}) => {
  const pen = await openWorksheet(page);
  const [x, y] = await placeOn(page, 1, 0.5, 0.45);
  const loop = circle(x, y, 50, 30);
  await pen.fingers('touchStart', [loop[0]]);
  for (const point of loop.slice(1)) await pen.fingers('touchMove', [point]);
  await pen.fingers('touchEnd', []);
  const chip = page.getByRole('button', { name: 'Take the circle' });
  await expect(chip).toBeVisible();
  const box = await chip.boundingBox();
  expect(box && (box.y > y + 50 || box.y + box.height < y - 50)).toBe(true);
  await chip.tap();
  await expect(chip).toBeHidden();
  await kept(page);
  expect(await inkOn(page, 1)).toBeGreaterThan(100);
});

test('a chip does not stand in the way: a pen that goes on from it writes, one that taps it presses', async ({
  page,
}) => {
  const pen = await openWorksheet(page);
  await take(page, 'Figure pen');
  const [x, y] = await placeOn(page, 1, 0.3, 0.4);
  await pen.draw(line([x, y], [x + 120, y + 4], 30));
  const chip = page.getByRole('button', { name: 'Back to ink' });
  await expect(chip).toBeVisible();
  await kept(page);
  const before = await inkOn(page, 1);
  const box = await chip.boundingBox();
  if (!box) throw new Error('There is no chip.');
  const on: Point = [box.x + box.width / 2, box.y + box.height / 2];
  await pen.draw(line(on, [on[0] + 110, on[1] - 70], 30));
  await kept(page);
  expect(await inkOn(page, 1)).toBeGreaterThan(before + 60);
  await page.keyboard.press('l');
  await expect(page.getByRole('button', { name: /^Go to Line/ })).toHaveCount(2);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await pen.draw(line([x, y - 90], [x + 120, y - 86], 30));
  await expect(chip).toBeVisible();
  const now = await chip.boundingBox();
  if (!now) throw new Error('There is no chip.');
  const tap: Point = [now.x + now.width / 2, now.y + now.height / 2];
  // So soon after it came nobody can have meant it: a dot is a dot.
  await page.waitForTimeout(1_300);
  await pen.draw([tap, tap]);
  await expect(chip).toBeHidden();
});

test('what is told makes way for what is written beneath it, and small letters press nothing of it', async ({
  page,
}) => {
  const pen = await openWorksheet(page);
  const [x, y] = await placeOn(page, 1, 0.3, 0.5);
  await pen.fingers('touchStart', [[x, y]]);
  for (const at of wave(x, y, 60)) await pen.fingers('touchMove', [at]);
  await pen.fingers('touchEnd', []);
  await kept(page);
  const [left, base] = await placeOn(page, 1, 0.14, 0.24);
  for (const stroke of handwriting('the lower', left, base, 12))
    await pen.draw(stroke, { pause: 2 });
  await kept(page);
  const offer = page.getByRole('button', { name: 'Take back what the finger wrote' });
  const box = await offer.boundingBox();
  expect(box?.y).toBeGreaterThan(base + 100);
  await offer.click();
  await expect(offer).toBeHidden();
});

test('what is used last is in the roll, the eraser and the picker always; the rest is one tap away', async ({
  page,
}) => {
  await goToDocument(page, 'Rock-pool zones');
  const inSight = async (name: RegExp) => {
    const box = await page.getByRole('button', { name }).boundingBox();
    return box !== null && box.x >= 0 && box.x + box.width <= 390;
  };
  for (const name of [/^Fine pen/, /^Eraser/, /^Picker/, /^Undo/, /^Redo/])
    expect(await inSight(name)).toBe(true);
  await page.getByRole('button', { name: 'More instruments' }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Figure pen/ })
    .click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await expect(page.getByRole('button', { name: /^Figure pen/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  expect(await inSight(/^Figure pen/)).toBe(true);
  await page.getByRole('button', { name: /^Eraser/ }).click();
  const parts = page.getByRole('switch', { name: 'Rub out parts of marks' });
  await expect(parts).not.toBeChecked();
  await parts.click();
  await expect(parts).toBeChecked();
  await page.reload();
  await expect(parts).toBeChecked();
});

test('what is restyled stays in sight above the panel, and shows each change at once', async ({
  page,
}) => {
  const pen = await openWorksheet(page);
  const [x, y] = await placeOn(page, 1, 0.4, 0.95);
  await pen.draw(wave(x, y, 60));
  await kept(page);
  await page.keyboard.press('Control+a');
  await page.getByRole('button', { name: 'Change the ink' }).click();
  const panel = page.getByRole('complementary', { name: 'Look' });
  await expect(panel).toBeVisible();
  await page.waitForTimeout(300);
  const box = await panel.boundingBox();
  const mark = await page.locator('[data-handle=move]').boundingBox();
  expect(mark && box && mark.y + mark.height / 2 < box.y).toBe(true);
  const before = await inkOn(page, 1);
  await panel.getByRole('radio', { name: '2.5', exact: true }).click();
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(2 * before);
  await page.keyboard.press('Escape');
  await expect(panel).toBeHidden();
  await expect(page.getByRole('button', { name: 'Change the ink' })).toBeVisible();
});

test('the grips of a small mark stand off from it, and are few', async ({ page }) => {
  const pen = await openWorksheet(page);
  await take(page, 'Figure pen');
  const [x, y] = await placeOn(page, 1, 0.5, 0.4);
  // At fit width a point is about two thirds of a pixel: read as a circle, small on the screen.
  await pen.draw(circle(x, y, 26, 40));
  await page.getByRole('button', { name: 'Back to ink' }).waitFor();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+a');
  await expect(page.getByRole('button', { name: 'Change the circle' })).toBeVisible();
  const grips = page.locator('[data-handle]:not([data-handle=move])');
  await expect(grips).toHaveCount(2);
  for (const grip of await grips.all()) {
    const box = await grip.boundingBox();
    if (!box) throw new Error('The grip is not there.');
    const near = {
      x: Math.max(box.x, Math.min(x, box.x + box.width)),
      y: Math.max(box.y, Math.min(y, box.y + box.height)),
    };
    expect(Math.hypot(near.x - x, near.y - y)).toBeGreaterThan(26);
  }
  const grip = await page.locator('[data-handle=se]').boundingBox();
  if (!grip) throw new Error('The grip is not there.');
  const before = await inkOn(page, 1);
  const from: Point = [grip.x + 22, grip.y + 22];
  await pen.draw(line(from, [from[0] + 60, from[1] + 60], 12));
  await kept(page);
  expect(await inkOn(page, 1)).toBeGreaterThan(1.3 * before);
});

test('the writing window magnifies the place, moves on with the hand, and goes to the next printed rule', async ({
  page,
}) => {
  const pen = await openWorksheet(page);
  const [x, y] = await placeOn(page, 1, 0.14, 0.25);
  await pen.draw(wave(x, y, 24, 4));
  await kept(page);
  const before = await inkOn(page, 1);
  await page.getByRole('button', { name: 'Open the writing window' }).click();
  const strip = page.getByRole('region', { name: /^Writing window/ });
  await expect(strip.locator('[data-page="1"][data-drawn]')).toBeAttached();
  const frame = page.locator('[data-framed]');
  const at = async () => {
    await page.waitForTimeout(250);
    const box = await frame.boundingBox();
    if (!box) throw new Error('There is no frame on the page.');
    return box;
  };
  const first = await at();
  const box = await strip.boundingBox();
  if (!box) throw new Error('The strip is not there.');
  // What is written large in it stands small on the page, within the frame.
  await pen.draw(wave(box.x + 150, box.y + 100, 80, 14, 30));
  await kept(page);
  expect(await inkOn(page, 1)).toBeGreaterThan(before);
  await page.waitForTimeout(900);
  expect((await at()).x).toBeCloseTo(first.x, 0);
  await pen.draw(wave(box.x + 240, box.y + 100, 90, 14, 30));
  await kept(page);
  // The hand came to its end: it moves on along the line.
  await expect.poll(async () => (await at()).x).toBeGreaterThan(first.x + 20);
  expect((await at()).y).toBeCloseTo(first.y, 0);
  await page.getByRole('button', { name: 'To the next line' }).click();
  const next = await at();
  expect(next.x).toBeLessThan(first.x + 20);
  expect(next.y).toBeGreaterThan(first.y + 4);
  await page.getByRole('button', { name: 'Close writing window' }).click();
  await expect(strip).toBeHidden();
  await expect(frame).toBeHidden();
});

test('left-handed people mirror the layout with one setting', async ({ page }) => {
  await goToDocument(page, 'Rock-pool zones');
  const edge = page.getByRole('slider', { name: /Fore-edge/ });
  expect((await edge.boundingBox())?.x).toBe(0);
  await command(page, 'Write with the left hand');
  const box = await edge.boundingBox();
  expect(box && box.x + box.width).toBe(390);
  await page.reload();
  const again = await edge.boundingBox();
  expect(again && again.x + again.width).toBe(390);
});

test('a finger that holds a word selects it, and goes on over others; a tap lets go', async ({
  page,
}) => {
  await goToDocument(page, 'How barnacles choose a rock');
  const pen = await Pen.of(page);
  await pen.draw(line(await placeOn(page, 1, 0.2, 0.05), await placeOn(page, 1, 0.3, 0.05)));
  // The finger comes when the pen is gone.
  await page.waitForTimeout(900);
  const [from, to] = [await placeOn(page, 1, 0.2, 0.25), await placeOn(page, 1, 0.4, 0.3)];
  await pen.fingers('touchStart', [from]);
  const chosen = page.getByTestId('chosen-words');
  await expect(chosen).toBeVisible();
  const chip = page.getByRole('group', { name: 'Selected words' });
  await expect(chip).toBeHidden();
  await pen.fingers('touchMove', [to]);
  await pen.fingers('touchEnd', []);
  await expect(chip).toBeVisible();
  expect(await chosen.locator('polygon').count()).toBeGreaterThan(2);
  await pen.fingers('touchStart', [await placeOn(page, 1, 0.7, 0.6)]);
  await pen.fingers('touchEnd', []);
  await expect(chip).toBeHidden();

  // Where no word is it asks what is to stand there.
  await pen.fingers('touchStart', [await placeOn(page, 1, 0.97, 0.5)]);
  const here = page.getByRole('group', { name: 'Put here' });
  await expect(here).toBeVisible();
  await pen.fingers('touchEnd', []);
  await here.getByRole('button', { name: 'Note' }).click();
  await expect(page.getByRole('group', { name: 'New note' })).toBeVisible();
});

test('one page at a time: a finger draws the next one in, and a little way comes back', async ({
  page,
}) => {
  await goToDocument(page, 'How barnacles choose a rock');
  await command(page, 'One page at a time');
  const pen = await Pen.of(page);
  // A pen has been here: from now on a finger moves the paper.
  await pen.draw(line([150, 400], [230, 410]));
  // A hand that rests beside the pen moves nothing for a moment.
  await page.waitForTimeout(1200);
  const swipe = async (from: number, to: number): Promise<void> => {
    await pen.fingers('touchStart', [[from, 400]]);
    for (let k = 1; k <= 6; k++)
      await pen.fingers('touchMove', [[from + ((to - from) * k) / 6, 400]]);
    await page.waitForTimeout(150);
    await pen.fingers('touchMove', [[to, 400]]);
    await pen.fingers('touchEnd', []);
  };
  const numberField = page.getByRole('textbox', { name: /^Page/ });
  await swipe(330, 120);
  await expect(numberField).toHaveValue('2');
  await expect(pageBox(page, 2)).toBeVisible();
  await expect(pageBox(page, 1)).toBeHidden();
  await swipe(330, 300);
  await expect(pageBox(page, 3)).toBeHidden();
  await expect(numberField).toHaveValue('2');
  await swipe(60, 300);
  await expect(numberField).toHaveValue('1');
});

test('a place is held, and one tap flips between it and where one reads on', async ({ page }) => {
  await goToDocument(page, 'How barnacles choose a rock');
  await command(page, 'Hold this place');
  await page.keyboard.press('End');
  const held = page.getByRole('group', { name: 'Place held' });
  const numberField = page.getByRole('textbox', { name: /^Page/ });
  await expect(numberField).toHaveValue('6');
  await held.getByRole('button', { name: 'Flip to page 1' }).click();
  await expect(numberField).toHaveValue('1');
  await held.getByRole('button', { name: 'Flip to page 6' }).click();
  await expect(numberField).toHaveValue('6');
  await held.getByRole('button', { name: 'Let the place go' }).click();
  await expect(held).toHaveCount(0);
});
