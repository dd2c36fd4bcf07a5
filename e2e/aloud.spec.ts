import { expect, type Page, test } from '@playwright/test';
import { command, goToDocument, placeOn, take } from './support/reader';
import { line, Pen } from './support/pen';
import { isSilent, said, standInVoice, voice } from './support/voice';

/** Reading aloud with a stand-in for the browser's voice, and the pacer. */

const strip = (page: Page) => page.getByRole('group', { name: 'Reading aloud' });
const parts = (page: Page) => page.getByTestId('being-read').locator('polygon');

test('sentences are read one after the other, the spoken word marked and kept in sight', async ({
  page,
}) => {
  await standInVoice(page, 2);
  await goToDocument(page, 'How barnacles choose a rock');
  await command(page, 'Read aloud from the start');
  await expect(strip(page)).toBeVisible();
  await expect.poll(async () => (await said(page)).length).toBe(1);
  // A voice that tells no words: the sentence is marked as a whole.
  const before = await parts(page).count();
  expect(before).toBeGreaterThan(0);
  await voice(page, 'word', 4);
  await expect(parts(page)).toHaveCount(before + 1);
  for (let n = 1; n < 12; n++) {
    await voice(page, 'end');
    await expect.poll(async () => (await said(page)).length).toBe(n + 1);
  }
  const box = await parts(page).first().boundingBox();
  expect(box?.y).toBeGreaterThan(40);
  expect((box?.y ?? 0) + (box?.height ?? 0)).toBeLessThan(800);
  const twelve = await said(page);
  expect(twelve.join(' ')).toContain('An adult barnacle cannot walk away from a bad address.');

  await strip(page).getByRole('button', { name: 'Hold' }).click();
  await strip(page).getByRole('button', { name: 'Sentence before' }).click();
  await strip(page).getByRole('button', { name: 'Go on' }).click();
  await expect.poll(async () => (await said(page)).at(-1)).toBe(twelve[10]);
  await strip(page).getByRole('button', { name: 'Voice and pace' }).click();
  await page.getByRole('radio', { name: 'Stand-in 1' }).click();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await expect(strip(page)).toBeHidden();
  expect(await isSilent(page)).toBe(true);
});

test('selected words are read, and found again', async ({ page }) => {
  await standInVoice(page, 1);
  await goToDocument(page, 'How barnacles choose a rock');
  const pen = await Pen.of(page);
  await take(page, 'Word picker');
  const [from, to] = [await placeOn(page, 1, 0.13, 0.188), await placeOn(page, 1, 0.28, 0.188)];
  await pen.draw(line(from, to));
  await page.getByRole('button', { name: 'More for these words' }).click();
  await page.getByRole('menuitem', { name: 'Read these words aloud' }).click();
  await expect.poll(() => said(page)).toEqual(['An adult barnacle']);
  await voice(page, 'end');
  await expect(strip(page)).toBeHidden();
  await pen.draw(line(from, to));
  await page.getByRole('button', { name: 'More for these words' }).click();
  await page.getByRole('menuitem', { name: 'Find these words again' }).click();
  await expect(page.locator('[data-hits]')).toHaveText('1 hit');
  // With the panel open it is another term that is looked for, and the field says so.
  // The panel has taken its place beside the pages.
  await pen.draw(line(await placeOn(page, 1, 0.13, 0.188), await placeOn(page, 1, 0.14, 0.188)));
  await page.getByRole('button', { name: 'More for these words' }).click();
  await page.getByRole('menuitem', { name: 'Find these words again' }).click();
  await expect(page.getByRole('searchbox', { name: 'Search the document' })).toHaveValue('An');
});

test('where there is no voice the pacer leads over the words', async ({ page }) => {
  await standInVoice(page, 0);
  await goToDocument(page, 'How barnacles choose a rock');
  await page.getByTestId('stage').focus();
  await page.keyboard.press('r');
  await page.getByRole('button', { name: 'Pacer instead' }).click();
  const pacer = page.getByRole('group', { name: 'Pacer' });
  await expect(pacer).toBeVisible();
  const where = () => parts(page).last().getAttribute('points');
  const first = await where();
  await expect.poll(where).not.toBe(first);
  await pacer.getByRole('button', { name: 'Stop reading' }).click();
  await expect(page.getByTestId('being-read')).toHaveCount(0);
});
