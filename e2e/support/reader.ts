import { expect, type Locator, type Page } from '@playwright/test';
import { idOf } from './laidOut';
import { line, Pen, type Point } from './pen';

/** The desk with the sample documents laid out. */
export async function openDesk(page: Page): Promise<void> {
  await page.goto('/');
  await expect(page.getByRole('button', { name: 'Open Course handbook' })).toBeVisible({
    timeout: 30_000,
  });
}

/** Puts a file on the desk as the file picker would. */
export async function addFile(page: Page, name: string, bytes: Uint8Array): Promise<void> {
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Open a PDF' }).first().click();
  await (await chooser).setFiles({ name, mimeType: 'application/pdf', buffer: Buffer.from(bytes) });
}

/** Puts a file on the desk, which opens it at once, and goes back to the desk. */
export async function layFile(page: Page, name: string, bytes: Uint8Array): Promise<void> {
  await addFile(page, name, bytes);
  await page.waitForURL('**/read/**');
  await page.goBack();
  await expect(page.getByRole('list', { name: 'Documents' })).toBeVisible();
}

/** Opens a document from the desk and waits for its first page. */
export async function openDocument(page: Page, title: string): Promise<void> {
  await page.getByRole('button', { name: `Open ${title}`, exact: true }).click();
  await drawn(page, 1);
}

/** Goes straight to a sample document by its address, as who comes back to it does, and waits for its first page. */
export async function goToDocument(page: Page, title: string): Promise<void> {
  await page.goto(`/read/${idOf(title)}`);
  await drawn(page, 1);
}

export const pageBox = (page: Page, number: number): Locator =>
  page.locator(`[data-page="${number}"]`);

/** Waits until the paper of a page is there; of two places that show the page, in one of them. */
export async function drawn(page: Page, number: number): Promise<void> {
  await expect(page.locator(`[data-page="${number}"][data-drawn]`).first()).toBeAttached();
}

/** A place on a page, in shares of its width and height. */
export async function placeOn(page: Page, number: number, u: number, v: number): Promise<Point> {
  const box = await pageBox(page, number).boundingBox();
  if (!box) throw new Error(`Page ${number} is not on the screen.`);
  return [box.x + u * box.width, box.y + v * box.height];
}

/** Waits until storage has answered for everything written so far. */
export async function kept(page: Page): Promise<void> {
  await expect(page.getByTestId('saving')).toHaveAttribute('data-saving', 'kept');
}

/** How many pixels of a page's ink (or highlights) are not empty. */
export function inkOn(
  page: Page,
  number: number,
  layer: 'ink' | 'highlights' = 'ink',
): Promise<number> {
  return page.evaluate(
    ([n, name]) => {
      let count = 0;
      for (const canvas of document.querySelectorAll<HTMLCanvasElement>(
        `[data-page="${n}"] [data-layer="${name}"] canvas`,
      )) {
        const data =
          canvas.getContext('2d')?.getImageData(0, 0, canvas.width, canvas.height).data ?? [];
        for (let i = 3; i < data.length; i += 4) if (data[i] > 40) count++;
      }
      return count;
    },
    [number, layer] as const,
  );
}

/** A layer of a page, put together from its tiles: how much of each pixel is covered, 0–255. */
export interface LayerPicture {
  readonly width: number;
  readonly height: number;
  readonly covered: Uint8Array;
}

export async function layerPicture(
  page: Page,
  number: number,
  layer: 'ink' | 'highlights' = 'ink',
): Promise<LayerPicture> {
  const { width, height, text } = await page.evaluate(
    ([n, name]) => {
      const holder = document.querySelector<HTMLElement>(
        `[data-page="${n}"] [data-layer="${name}"]`,
      );
      if (!holder) throw new Error('The layer is not there.');
      const whole = document.createElement('canvas');
      whole.width = Math.round(holder.clientWidth * devicePixelRatio);
      whole.height = Math.round(holder.clientHeight * devicePixelRatio);
      const ctx = whole.getContext('2d');
      if (!ctx) throw new Error('The browser gives no canvas.');
      for (const tile of holder.querySelectorAll('canvas')) {
        const style = getComputedStyle(tile);
        const at = (side: string) => Math.round(parseFloat(side) * devicePixelRatio);
        ctx.drawImage(tile, at(style.left), at(style.top));
      }
      const { data } = ctx.getImageData(0, 0, whole.width, whole.height);
      let letters = '';
      for (let i = 3; i < data.length; i += 4) letters += String.fromCharCode(data[i]);
      return { width: whole.width, height: whole.height, text: btoa(letters) };
    },
    [number, layer] as const,
  );
  return { width, height, covered: Uint8Array.from(Buffer.from(text, 'base64')) };
}

/**
 * Waits until a layer looks like this again. Where ink is painted again in part, browsers cut its outline at the edge of
 * that part, which shifts what single pixels are covered by up to a twelfth (20 of 255 was measured): an eye sees none of
 * it, and ink that is there or not is the whole of 255.
 */
export const expectLook = (page: Page, number: number, look: LayerPicture): Promise<void> =>
  expect
    .poll(async () => {
      const { covered } = await layerPicture(page, number);
      return covered.reduce((most, c, i) => Math.max(most, Math.abs(c - look.covered[i])), 0);
    })
    .toBeLessThan(64);

/** The rows of a layer that show anything. */
export const rowsCovered = ({ width, covered }: LayerPicture): Set<number> =>
  new Set([...covered.keys()].filter((i) => covered[i] > 40).map((i) => Math.floor(i / width)));

/** Takes an instrument by its name, from the roll or from what of it is out of sight on a phone. */
export async function take(page: Page, name: string): Promise<void> {
  const named = { name: new RegExp(`^${name}`) };
  const roll = page.getByRole('toolbar', { name: 'Pen roll' });
  const inSight = roll.getByRole('button', named);
  if ((await inSight.count()) > 0) return inSight.click();
  await roll.getByRole('button', { name: 'More instruments' }).click();
  const rest = page.getByRole('dialog', { name: 'More instruments' });
  await rest.getByRole('button', named).click();
  await expect(rest).toBeHidden();
}

/** What stands beside the page on a wide screen, and over it as a sheet on a phone. */
export const panel = (page: Page, name: string): Locator =>
  page.getByRole('complementary', { name }).or(page.getByRole('dialog', { name }));

/** Opens the list of marks: from the bar, or on a phone from what one finds one's way by. */
export async function openMarks(page: Page): Promise<void> {
  const inBar = page.getByRole('button', { name: 'List of marks' });
  if ((await inBar.count()) > 0) return inBar.click();
  await page.getByRole('button', { name: /^Contents, search, pages/ }).click();
  await page.getByRole('tab', { name: 'Marks' }).click();
}

/** Opens the send sheet and waits for the fixed copy. */
export async function makeCopy(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await finishCopy(page);
}

/** Has the copy that the open sheet asks for downloaded. It is made once, and proved. */
export async function finishCopy(page: Page): Promise<void> {
  const sheet = page.getByRole('dialog', { name: 'Send' });
  await sheet.getByRole('radio', { name: 'Download' }).click();
  await sheet.getByRole('button', { name: 'Download' }).click();
  await expect(page.getByTestId('copy-made')).toContainText('Ready', { timeout: 60_000 });
  await expect(page.getByTestId('proof')).toContainText('Proved');
}

/** Opens the sheet that sends. */
export async function openSend(page: Page): Promise<Locator> {
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  return page.getByRole('dialog', { name: 'Send' });
}

/** Downloads what the open sheet offers, and waits until it is proved. */
export async function downloadProved(page: Page, sheet: Locator): Promise<string> {
  const download = page.waitForEvent('download');
  await sheet.getByRole('button', { name: 'Download' }).click();
  const path = await (await download).path();
  await expect(sheet.getByText('Proved: the copy shows what the screen shows.')).toBeVisible();
  return path;
}

/** Has a link made to the copy that the open sheet asks for. */
export async function makeLink(page: Page): Promise<void> {
  const sheet = page.getByRole('dialog', { name: 'Send' });
  await sheet.getByRole('radio', { name: 'A link' }).click();
  await sheet.getByRole('button', { name: 'Make a link' }).click();
}

/** Opens the worksheet of the samples and takes a stylus. */
export async function openWorksheet(page: Page): Promise<Pen> {
  await goToDocument(page, 'Rock-pool zones');
  return Pen.of(page);
}

/** Has something done by its name in the list of commands. */
export async function command(page: Page, name: string | RegExp): Promise<void> {
  await page.getByRole('button', { name: 'Commands' }).click();
  const commands = page.getByRole('dialog', { name: 'Commands' });
  await commands.getByRole('option', { name }).click();
  await commands.waitFor({ state: 'hidden' });
}

/** Drags a grip with the mouse to a place of a page, in shares of its width and height. */
export async function dragGrip(
  page: Page,
  name: string,
  [u, v, number = 1]: readonly number[],
): Promise<void> {
  const box = await page.getByRole('button', { name, exact: true }).boundingBox();
  if (!box) throw new Error(`There is no ${name}.`);
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  // The grip stands off from what it means: it goes as far as that goes.
  const from = await placeOn(page, 1, 0, 0);
  const [toX, toY] = await placeOn(page, number, u, v);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move((x + toX) / 2, (y + toY) / 2, { steps: 4 });
  await page.mouse.move(toX, toY, { steps: 4 });
  expect(await placeOn(page, 1, 0, 0)).toEqual(from);
  await page.mouse.up();
}

/** Drags the mouse from one place of a page to another: shares of its width and height. */
export async function dragOver(
  page: Page,
  number: number,
  from: readonly [u: number, v: number],
  to: readonly [u: number, v: number],
): Promise<void> {
  const there = await placeOn(page, number, ...to);
  await page.mouse.move(...(await placeOn(page, number, ...from)));
  await page.mouse.down();
  await page.mouse.move(...there, { steps: 5 });
  await page.mouse.up();
}

/** Goes with the pen over the words from one place to another: shares of a page's width and height, and its number. */
export async function goOver(
  page: Page,
  pen: Pen,
  [u, v, first = 1]: readonly number[],
  [s, t, last = first]: readonly number[],
): Promise<void> {
  await pen.draw(line(await placeOn(page, first, u, v), await placeOn(page, last, s, t)));
}
