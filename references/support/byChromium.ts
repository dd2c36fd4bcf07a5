import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';

/** What Debian's Chromium makes of a page, as it is asked by `options`, in a folder with files beside the page. */
function byChromium(
  html: string,
  files: Readonly<Record<string, Uint8Array>>,
  made: string,
  options: (to: string) => readonly string[],
): Uint8Array {
  const folder = mkdtempSync(join(tmpdir(), 'chromium-'));
  try {
    const page = join(folder, 'page.html');
    // What is made follows from the ending.
    const to = join(folder, made);
    for (const [name, bytes] of Object.entries(files)) writeFileSync(join(folder, name), bytes);
    writeFileSync(page, `<!doctype html><meta charset="utf-8">${html}`);
    const { status, stderr, error } = spawnSync(
      'chromium-headless-shell',
      [
        ...['--headless', '--no-sandbox', '--disable-gpu', '--allow-file-access-from-files'],
        `--user-data-dir=${join(folder, 'profile')}`,
        ...options(to),
        pathToFileURL(page).href,
      ],
      { encoding: 'utf8', timeout: 60_000 },
    );
    if (error) throw error;
    if (status !== 0) throw new Error(`Chromium gave up: ${stderr}`);
    return new Uint8Array(readFileSync(to));
  } finally {
    rmSync(folder, { recursive: true, maxRetries: 5 });
  }
}

/** A page as it is printed, in a face of its own: text that is known, set by others. */
export function printedByChromium(html: string, face: Uint8Array): Uint8Array {
  const style = `@font-face { font-family: own; src: url('face.ttf') }
    body { font: 18px/1.6 own; width: 420px }`;
  return byChromium(`<style>${style}</style>${html}`, { 'face.ttf': face }, 'page.pdf', (to) => [
    '--no-pdf-header-footer',
    `--print-to-pdf=${to}`,
  ]);
}

/** A page as it is seen, as PNG; its size in CSS pixels, and how many pixels there are to one. */
export const shotByChromium = (
  html: string,
  { width, height, scale }: { width: number; height: number; scale: number },
): Buffer =>
  Buffer.from(
    byChromium(html, {}, 'page.png', (to) => [
      ...[`--window-size=${width},${height}`, `--force-device-scale-factor=${scale}`],
      ...['--hide-scrollbars', `--screenshot=${to}`],
    ]),
  );
