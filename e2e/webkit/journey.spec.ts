import { execFileSync } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { circle, line, type Point, wave } from '../support/pen';
import { inkBlue } from '../support/inkBlue';
import { WebKit } from './webKit';

/** Pixels of a layer of page 1 that show anything. */
function inkIn(layer: string): number {
  let count = 0;
  for (const canvas of document.querySelectorAll<HTMLCanvasElement>(
    `[data-page="1"] [data-layer="${layer}"] canvas`,
  )) {
    const { width, height } = canvas;
    const data = canvas.getContext('2d')?.getImageData(0, 0, width, height).data ?? [];
    for (let i = 3; i < data.length; i += 4) if (data[i] > 40) count++;
  }
  return count;
}
/** The same, once storage has answered for everything. */
const kept = (): boolean =>
  document.querySelector('[data-testid=saving]')?.getAttribute('data-saving') === 'kept';
const isDrawn = (): boolean => document.querySelector('[data-page="1"][data-drawn]') !== null;

test('the whole journey in the engine of most tablets: write, highlight, figure, reload, copy, link, guest', async ({
  baseURL,
}) => {
  test.setTimeout(300_000);
  const browser = await WebKit.open();
  try {
    await browser.go(`${baseURL}/`);
    await browser.press('Open Rock-pool zones');
    await browser.until('the first page', isDrawn);
    const placeOn = (u: number, v: number): Promise<Point> =>
      browser.run(
        (x: number, y: number): [number, number] => {
          const box = document.querySelector('[data-page="1"]')?.getBoundingClientRect();
          return box ? [box.left + x * box.width, box.top + y * box.height] : [0, 0];
        },
        u,
        v,
      );
    const ink = (layer = 'ink') => browser.run(inkIn, layer);
    const settled = () => browser.until('storage', kept);

    const [x, y] = await placeOn(0.15, 0.3);
    await browser.draw(wave(x, y, 300));
    await settled();
    const written = await ink();
    expect(written).toBeGreaterThan(400);

    await browser.press('Broad highlighter');
    const from = await placeOn(0.15, 0.25);
    await browser.draw(line(from, [from[0] + 300, from[1] + 1]));
    await settled();
    expect(await ink('highlights')).toBeGreaterThan(1500);

    await browser.press('Fine pen');
    const [cx, cy] = await placeOn(0.6, 0.42);
    await browser.draw(circle(cx, cy, 60));
    await browser.press('Take the circle');
    await settled();
    const withCircle = await ink();
    expect(withCircle).toBeGreaterThan(written + 200);

    await browser.press('Undo');
    await browser.press('Redo');
    await settled();
    await expect.poll(() => ink()).toBe(withCircle);

    await browser.reload();
    await browser.until('the first page again', isDrawn);
    await expect.poll(() => ink()).toBe(withCircle);
    expect(await ink('highlights')).toBeGreaterThan(1500);

    await browser.press('Send');
    await browser.press('Download');
    await browser.until('the copy', () =>
      document.querySelector('[data-testid=copy-made]')?.textContent?.includes('Ready'),
    );
    await browser.choose('A link');
    await browser.press('Make a link');
    const address = await browser.until(
      'the link',
      () => document.querySelector('[data-testid=link]')?.textContent,
    );
    const token = address.split('/s/')[1];
    const copy = await fetch(`${baseURL}/api/links/${token}/file`);
    mkdirSync('test-results', { recursive: true });
    const file = 'test-results/webkit-copy.pdf';
    writeFileSync(file, Buffer.from(await copy.arrayBuffer()));
    execFileSync('qpdf', ['--check', file]);
    const text = (pdf: string) => execFileSync('pdftotext', [pdf, '-'], { encoding: 'utf8' });
    expect(text(file)).toBe(text('demo/documents/rock-pool-zones.pdf'));

    await browser.go(`${baseURL}/s/${token}`);
    await browser.until('the guest’s page', isDrawn);
    const blue = await browser.until('the ink on the guest’s page', inkBlue);
    expect(blue).toBeGreaterThan(80);
  } catch (e) {
    mkdirSync('test-results', { recursive: true });
    writeFileSync('test-results/webkit.png', await browser.picture());
    throw e;
  } finally {
    await browser.close();
  }
});
