import { expect, type Locator, test } from '@playwright/test';
import { line, Pen, type Point } from './support/pen';
import { command, drawn, goToDocument, kept, take } from './support/reader';

/** A place in a window onto pages, CSS pixels from its upper left corner. */
async function placeIn(pane: Locator, x: number, y: number): Promise<Point> {
  const box = await pane.boundingBox();
  if (!box) throw new Error('The pane is not on the screen.');
  return [box.x + x, box.y + y];
}

test('two places at once: each scrolls, zooms and is written on for itself; the divider moves; all stands there again', async ({
  page,
}) => {
  await goToDocument(page, 'How barnacles choose a rock');
  const first = page.getByRole('region', { name: /^Pages of/ });
  const second = page.getByRole('region', { name: /^More pages of/ });
  const numberField = page.getByRole('textbox', { name: /^Page/ });
  await page.keyboard.press('d');
  await expect(second.locator('[data-page="1"][data-drawn]')).toBeAttached();

  await page.keyboard.press('End');
  await expect(second.locator('[data-page="6"][data-drawn]')).toBeAttached();
  await expect(first.locator('[data-page="1"]')).toBeVisible();
  await expect(numberField).toHaveValue('6');

  // What one writes is seen in both, where both show it.
  await page.keyboard.press('Home');
  await expect(second.locator('[data-page="1"][data-drawn]')).toBeAttached();
  await take(page, 'Marking pen');
  const pen = await Pen.of(page);
  await pen.draw(line(await placeIn(second, 90, 300), await placeIn(second, 240, 320)));
  await kept(page);
  for (const pane of [first, second])
    await expect(pane.locator('[data-page="1"] [data-layer="ink"] canvas')).not.toHaveCount(0);

  // The other pane, by keyboard; it has a zoom of its own.
  const zoom = page.getByLabel(/^Zoom \d+ %$/);
  const before = await zoom.textContent();
  await page.keyboard.press('F6');
  await page.keyboard.press('Control++');
  await expect(zoom).not.toHaveText(before ?? '');
  await page.keyboard.press('F6');
  await expect(zoom).toHaveText(before ?? '');

  const divider = page.getByRole('separator', { name: 'Divider between the two places' });
  const wide = (await first.boundingBox())?.width ?? 0;
  await divider.focus();
  await page.keyboard.press('ArrowRight');
  await expect.poll(async () => (await first.boundingBox())?.width ?? 0).toBeGreaterThan(wide + 20);

  // Another document, with the same instrument in hand and changes of its own.
  await command(page, 'Another document beside this one');
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Rock-pool zones/ })
    .click();
  await expect(second.locator('[data-page="1"][data-drawn]')).toBeAttached();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Rock-pool zones');
  const undo = page.getByRole('button', { name: 'Undo' });
  await expect(undo).toBeDisabled();
  await pen.draw(line(await placeIn(second, 90, 300), await placeIn(second, 240, 320)));
  await expect(undo).toBeEnabled();
  await kept(page);
  await first.focus();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('How barnacles choose a rock');

  await page.waitForTimeout(600);
  await page.reload();
  await drawn(page, 1);
  await expect(second.locator('[data-page="1"][data-drawn]')).toBeAttached();
  await expect(page.getByRole('heading', { name: 'Rock-pool zones' })).toBeVisible();
  await page.getByRole('button', { name: 'Close this place' }).click();
  await expect(second).toHaveCount(0);
});
