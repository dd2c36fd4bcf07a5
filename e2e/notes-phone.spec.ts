import { expect, test } from '@playwright/test';
import { line, Pen } from './support/pen';
import { command, goToDocument, kept, placeOn } from './support/reader';

test('on a phone notes stand beneath the page, set by a finger where a pen writes too: what is spoken of stays in sight, and the cards go with the page', async ({
  page,
}) => {
  await goToDocument(page, 'How barnacles choose a rock');
  const stage = page.getByTestId('stage');
  // From here on a finger moves the paper.
  const pen = await Pen.of(page);
  await pen.draw(line(await placeOn(page, 1, 0.2, 0.4), await placeOn(page, 1, 0.6, 0.4)));
  await kept(page);
  // A finger so soon after the pen would be taken for a palm.
  await page.waitForTimeout(700);
  for (const [k, [number, v]] of [
    [1, 0.25],
    [2, 0.2],
    [3, 0.2],
  ].entries()) {
    await page.getByRole('textbox', { name: /^Page, 1 to/ }).fill(String(number));
    await page.keyboard.press('Enter');
    await command(page, /^Add a note/);
    await expect(page.getByText('Tap the place that the note is about.')).toBeVisible();
    await page.touchscreen.tap(...(await placeOn(page, number, 0.5, v)));
    const box = page.getByRole('group', { name: 'New note' });
    if (k === 0) await box.getByRole('textbox', { name: /^Your name/ }).fill('Ines Mara');
    await box.getByRole('textbox', { name: 'What the note says' }).fill(`Remark ${number}`);
    await box.getByRole('button', { name: 'Add the note' }).click();
    await expect(box).toBeHidden();
    // Its number is in sight, above the sheet.
    const sign = await page.locator(`[data-note="${number}"]`).boundingBox();
    const seen = await stage.boundingBox();
    if (!sign || !seen) throw new Error('The note has no number.');
    expect(sign.y + sign.height).toBeLessThanOrEqual(seen.y + seen.height);
    expect(sign.y).toBeGreaterThanOrEqual(seen.y);
    expect(seen.height).toBeLessThan(450);
  }
  // The page goes back, and the cards with it.
  await page.getByRole('button', { name: /^Open note 1/ }).click();
  await expect(page.getByRole('article', { name: 'Note 1' })).toContainText('Ines Mara');
  await expect(page.locator('[data-note="1"]')).toBeInViewport();
});
