import { spawnSync } from 'node:child_process';
import { expect, test } from '@playwright/test';
import { handwriting } from './support/handwriting';
import { standInReader } from './support/handwritingReader';
import { Pen } from './support/pen';
import { goToDocument, kept, makeCopy, placeOn } from './support/reader';

test('a note is written with the pen on a sheet that grows, read by the browser, kept as ink, and stands in the copy', async ({
  page,
}) => {
  await standInReader(page, 'at high tide');
  await goToDocument(page, 'Rock-pool zones');
  const pen = await Pen.of(page);
  await page.getByTestId('stage').focus();
  await page.keyboard.press('a');
  const place = await placeOn(page, 1, 0.5, 0.06);
  await pen.draw([place, place]);
  const begun = page.getByRole('group', { name: 'New note' });
  await begun.getByRole('button', { name: 'Write with the pen' }).click();
  const pad = begun.getByRole('img', { name: 'What the note says, written' });
  const before = await pad.boundingBox();
  if (!before) throw new Error('There is no sheet.');
  for (const stroke of handwriting('at high tide', before.x + 14, before.y + 40, 22))
    await pen.draw(stroke, { pause: 2 });
  await expect(pad.locator('svg g path')).not.toHaveCount(0);
  const strokes = await pad.locator('svg g path').count();
  for (const stroke of handwriting('again', before.x + 14, before.y + 96, 22))
    await pen.draw(stroke, { pause: 2 });
  // It grows with what is written.
  await expect
    .poll(async () => (await pad.boundingBox())?.height)
    .toBeGreaterThan(before.height + 10);
  const all = await pad.locator('svg g path').count();
  expect(all).toBeGreaterThan(strokes);
  await begun.getByRole('button', { name: 'Take back the last stroke' }).click();
  await expect(pad.locator('svg g path')).toHaveCount(all - 1);
  await begun.getByRole('button', { name: 'Read it' }).click();
  await expect(begun.getByRole('textbox', { name: 'What the note says, typed' })).toHaveValue(
    'at high tide',
  );
  await begun.getByRole('button', { name: 'Add the note' }).click();
  const card = page.getByRole('article', { name: 'Note 1' });
  await expect(card.getByRole('img', { name: 'Remark 1 of note 1, written' })).toBeVisible();
  await expect(card).toContainText('at high tide');
  await kept(page);
  await page.waitForTimeout(900);

  await page.reload();
  await page.locator('[data-note="1"]').click();
  await expect(card.locator('svg g path')).toHaveCount(all - 1);

  await makeCopy(page);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Download' }).click();
  const file = await (await download).path();
  expect(spawnSync('qpdf', ['--check', file]).status).toBe(0);
  const { stdout } = spawnSync('mutool', ['draw', '-F', 'svg', '-o', '-', file, '3'], {
    encoding: 'utf8',
  });
  // Each stroke is an area of ink of its own, beside the letters.
  expect((stdout.match(/<path [^>]*fill="#1f3361"/g) ?? []).length).toBe(all - 1);
});
