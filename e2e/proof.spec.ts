import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { PNG } from 'pngjs';
import {
  changeBetween,
  differingShare,
  marksApart,
  type Picture,
} from '../references/support/pictures';
import { renderPage } from '../references/support/pdfium';
import { complaintOfQpdf, textOf } from '../references/support/programs';
import { circle, line, Pen, wave } from './support/pen';
import { drawn, kept, layFile, makeCopy, openDesk, pageBox, placeOn } from './support/reader';
import { turnedAndCropped } from './support/turnedAndCropped';

/** Blocks of 4 × 4 pixels by which two renderers' pictures of a whole page may differ. */
const PAGE_TOLERANCE = 0.003;
/** By how much of the marks' ink the screen's picture and the copy's may be apart. */
const MARK_TOLERANCE = 0.05;

test.use({ viewport: { width: 1000, height: 1250 } });

const sample = (file: string) => async (): Promise<Uint8Array> =>
  new Uint8Array(readFileSync(`demo/documents/${file}`));
// Print, a scan, and pages that are turned and cut down; of the other samples `references/proof` makes copies.
const DOCUMENTS = [
  { title: 'Rock-pool zones', bytes: sample('rock-pool-zones.pdf'), pages: [1, 2] },
  { title: 'Tide log, scanned', bytes: sample('tide-log.pdf'), pages: [1, 3] },
  { title: 'Transect maps', bytes: turnedAndCropped, pages: [1, 2, 3] },
];

/** The page as the screen shows it. */
async function screenPicture(page: Page, number: number): Promise<Picture> {
  // By its number: some pages are called otherwise.
  await page.getByTestId('stage').focus();
  await page.keyboard.press('Home');
  for (let n = 1; n < number; n++) await page.keyboard.press('PageDown');
  await page.keyboard.press('Escape');
  await drawn(page, number);
  await page.waitForTimeout(400);
  const box = await pageBox(page, number).boundingBox();
  if (!box) throw new Error('The page is not on the screen.');
  const clip = {
    x: Math.round(box.x),
    y: Math.round(box.y),
    width: Math.round(box.width),
    height: Math.round(box.height),
  };
  const png = PNG.sync.read(await page.screenshot({ clip }));
  return { width: png.width, height: png.height, data: new Uint8Array(png.data) };
}

async function copyOf(page: Page): Promise<Uint8Array> {
  await makeCopy(page);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Download' }).click();
  const bytes = new Uint8Array(readFileSync(await (await download).path()));
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  return bytes;
}

/** Ink with pressure, a highlight that crosses itself, and a figure. */
async function markPage(page: Page, pen: Pen, number: number): Promise<void> {
  await page.keyboard.press('1');
  const [x, y] = await placeOn(page, number, 0.25, 0.3);
  await pen.draw(wave(x, y, 260, 14), { pressure: (t) => 0.15 + 0.7 * t });
  await page.keyboard.press('3');
  const [hx, hy] = await placeOn(page, number, 0.25, 0.42);
  await pen.draw(line([hx, hy], [hx + 240, hy + 2]));
  await pen.draw(line([hx + 120, hy - 40], [hx + 122, hy + 40]));
  await page.keyboard.press('5');
  const [cx, cy] = await placeOn(page, number, 0.6, 0.6);
  await pen.draw(circle(cx, cy, 70));
  // What is offered comes with the finished ink.
  await kept(page);
  await page.keyboard.press('Escape');
  await page.keyboard.press('2');
  const [bx, by] = await placeOn(page, number, 0.3, 0.75);
  await pen.draw(line([bx, by], [bx + 200, by + 30]));
  await kept(page);
  await page.keyboard.press('Escape');
}

for (const { title, bytes, pages } of DOCUMENTS)
  test(`the fixed copy of “${title}” shows what the screen shows`, async ({ page }) => {
    const source = await bytes();
    await openDesk(page);
    if (title === 'Transect maps') await layFile(page, 'transects.pdf', source);
    await page.getByRole('button', { name: `Open ${title}`, exact: true }).click();
    await drawn(page, 1);
    // What is said over the page is not on it.
    await page.addStyleTag({ content: '[data-chip] { visibility: hidden }' });
    await page.keyboard.press('Control+9');
    const pen = await Pen.of(page);

    const before = new Map<number, Picture>();
    for (const number of pages) before.set(number, await screenPicture(page, number));
    for (const number of pages) {
      await screenPicture(page, number);
      await markPage(page, pen, number);
    }
    // Beside the instruments: over one of them its name would be seen.
    await pen.hover([5, 150]);
    await kept(page);
    const after = new Map<number, Picture>();
    for (const number of pages) after.set(number, await screenPicture(page, number));
    const copy = await copyOf(page);

    expect(complaintOfQpdf(copy)).toBeNull();
    expect(textOf(copy)).toBe(textOf(source));

    const apartOf = async (number: number, fixed: Uint8Array): Promise<number> => {
      const [was, is] = [before.get(number), after.get(number)] as [Picture, Picture];
      const blank = await renderPage(source, number - 1, is.width, is.height);
      const marked = await renderPage(fixed, number - 1, is.width, is.height);
      return marksApart(changeBetween(was, is), changeBetween(blank, marked));
    };
    for (const number of pages) {
      const is = after.get(number) as Picture;
      const whole = differingShare(is, await renderPage(copy, number - 1, is.width, is.height));
      const apart = await apartOf(number, copy);
      console.log(
        `${title}, page ${number}: ${(100 * whole).toFixed(2)} % of blocks differ, marks apart by ${(100 * apart).toFixed(1)} %`,
      );
      expect(whole).toBeLessThanOrEqual(PAGE_TOLERANCE);
      expect(apart).toBeLessThanOrEqual(MARK_TOLERANCE);
    }

    // The check can fail: without the last stroke the copy is not what the screen showed.
    await page.keyboard.press('Control+z');
    await kept(page);
    const dropped = await copyOf(page);
    const last = pages[pages.length - 1];
    const apart = await apartOf(last, dropped);
    console.log(
      `${title}, page ${last}, one stroke dropped: marks apart by ${(100 * apart).toFixed(1)} %`,
    );
    expect(apart).toBeGreaterThan(MARK_TOLERANCE);
  });
