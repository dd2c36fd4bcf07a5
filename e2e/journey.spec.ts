import { execFileSync } from 'node:child_process';
import { expect, test } from '@playwright/test';
import { inkBlue } from './support/inkBlue';
import { circle, line, wave } from './support/pen';
import {
  drawn,
  inkOn,
  kept,
  makeCopy,
  makeLink,
  openWorksheet,
  placeOn,
  take,
} from './support/reader';

test('open, write, highlight, tidy, rub out, undo, reload, send, and the guest sees it', async ({
  page,
  browser,
}) => {
  const pen = await openWorksheet(page);

  // Write with rising pressure: the line gets wider.
  const [x, y] = await placeOn(page, 1, 0.15, 0.305);
  await pen.draw(wave(x, y, 320), { pressure: (t) => 0.1 + 0.8 * t });
  await kept(page);
  const written = await inkOn(page, 1);
  expect(written).toBeGreaterThan(500);

  await take(page, 'Broad highlighter');
  const from = await placeOn(page, 1, 0.15, 0.253);
  await pen.draw(line(from, [from[0] + 400, from[1] + 1]));
  await kept(page);
  expect(await inkOn(page, 1, 'highlights')).toBeGreaterThan(2000);

  // A circle is offered as a circle; taken, it is one.
  await take(page, 'Fine pen');
  const [cx, cy] = await placeOn(page, 1, 0.6, 0.4);
  await pen.draw(circle(cx, cy, 60));
  await page.getByRole('button', { name: 'Take the circle' }).click();
  await expect(page.getByRole('button', { name: 'Take the circle' })).toBeHidden();
  await kept(page);
  const withCircle = await inkOn(page, 1);
  expect(withCircle).toBeGreaterThan(written + 300);

  // Rub out the written line: while the pen is down it only fades, then it goes, the circle stays.
  await take(page, 'Eraser');
  const across = line([x + 100, y - 40], [x + 100, y + 40]);
  await pen.draw(across, { hold: true });
  const faded = await inkOn(page, 1);
  expect(faded).toBeLessThan(withCircle);
  await pen.lift(across[across.length - 1]);
  await kept(page);
  const rubbed = await inkOn(page, 1);
  expect(rubbed).toBeLessThan(withCircle - written * 0.8);
  expect(rubbed).toBeGreaterThan(300);

  await page.keyboard.press('Control+z');
  await expect.poll(() => inkOn(page, 1)).toBe(withCircle);
  await page.keyboard.press('Control+Shift+z');
  await expect.poll(() => inkOn(page, 1)).toBe(rubbed);
  await page.keyboard.press('Control+z');
  await kept(page);

  // All there after a reload, the history too.
  await page.reload();
  await drawn(page, 1);
  await expect.poll(() => inkOn(page, 1)).toBe(withCircle);
  expect(await inkOn(page, 1, 'highlights')).toBeGreaterThan(2000);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => inkOn(page, 1)).not.toBe(withCircle);
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect.poll(() => inkOn(page, 1)).toBe(withCircle);

  // The fixed copy, by its name, sound in another program's eyes, with the source's text.
  await makeCopy(page);
  await expect(page.getByText('Rock-pool zones – marked.pdf')).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Download' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('Rock-pool zones – marked.pdf');
  const path = await file.path();
  execFileSync('qpdf', ['--check', path]);
  const text = (pdf: string) => execFileSync('pdftotext', [pdf, '-'], { encoding: 'utf8' });
  expect(text(path)).toBe(text('demo/documents/rock-pool-zones.pdf'));

  // A link, and a guest on a phone without anything of ours.
  await makeLink(page);
  const address = await page.getByTestId('link').innerText();
  const phone = await browser.newContext({
    viewport: { width: 390, height: 844 },
    isMobile: true,
    hasTouch: true,
  });
  const guest = await phone.newPage();
  await guest.goto(new URL(address).pathname);
  await expect(guest.getByRole('heading', { name: 'Rock-pool zones' })).toBeVisible();
  await drawn(guest, 1);
  expect(await guest.evaluate(inkBlue)).toBeGreaterThan(80);
  const taken = guest.waitForEvent('download');
  await guest.getByRole('button', { name: 'Download' }).click();
  expect((await taken).suggestedFilename()).toBe('Rock-pool zones – marked.pdf');

  // Withdrawn, the link is dead for the guest and gone for the owner.
  await page.getByRole('button', { name: 'Withdraw …' }).click();
  // It asks first: nothing brings a link back.
  await page.getByRole('button', { name: 'Withdraw', exact: true }).click();
  await expect(page.getByTestId('link')).toBeHidden();
  const dead = await guest.goto(new URL(address).pathname);
  expect(dead?.status()).toBe(410);
  await expect(guest.getByText('withdrawn')).toBeVisible();
  await phone.close();
});
