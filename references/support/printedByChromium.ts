import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';

/** A page as Debian's Chromium prints it, in a face of its own: text that is known, set by others. */
export function printedByChromium(html: string, face: Uint8Array): Uint8Array {
  const folder = mkdtempSync(join(tmpdir(), 'printed-'));
  try {
    const page = join(folder, 'page.html');
    const pdf = join(folder, 'page.pdf');
    writeFileSync(join(folder, 'face.ttf'), face);
    const style = `@font-face { font-family: own; src: url('face.ttf') }
      body { font: 18px/1.6 own; width: 420px }`;
    writeFileSync(page, `<!doctype html><meta charset="utf-8"><style>${style}</style>${html}`);
    const { status, stderr, error } = spawnSync(
      'chromium-headless-shell',
      [
        '--headless',
        '--no-sandbox',
        '--disable-gpu',
        '--allow-file-access-from-files',
        '--no-pdf-header-footer',
        `--user-data-dir=${join(folder, 'profile')}`,
        `--print-to-pdf=${pdf}`,
        pathToFileURL(page).href,
      ],
      { encoding: 'utf8', timeout: 60_000 },
    );
    if (error) throw error;
    if (status !== 0) throw new Error(`Chromium did not print: ${stderr}`);
    return new Uint8Array(readFileSync(pdf));
  } finally {
    rmSync(folder, { recursive: true, maxRetries: 5 });
  }
}
