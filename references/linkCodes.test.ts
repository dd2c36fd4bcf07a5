import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PNG } from 'pngjs';
import { qrPath } from '../app/src/features/sending/qrPath';

/*
 * The codes that links are shown as (ISO/IEC 18004), read by another library: zbar, Debian's zbar-tools.
 */

let folder = '';
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'codes-'));
});
afterAll(() => rmSync(folder, { recursive: true }));

/** The code as a picture of so many pixels a module. */
function drawn(text: string, scale: number): Buffer {
  const { side, path } = qrPath(text);
  const png = new PNG({ width: side * scale, height: side * scale });
  png.data.fill(255);
  for (const [, x, y, run] of path.matchAll(/M(\d+) (\d+)h(\d+)v1h-\d+z/g))
    for (let py = Number(y) * scale; py < (Number(y) + 1) * scale; py++)
      for (let px = Number(x) * scale; px < (Number(x) + Number(run)) * scale; px++)
        png.data.fill(0, (py * png.width + px) * 4, (py * png.width + px) * 4 + 3);
  return PNG.sync.write(png);
}

/** What is read from a picture. */
function read(picture: Buffer): string {
  const file = join(folder, 'code.png');
  writeFileSync(file, picture);
  return execFileSync('zbarimg', ['--quiet', '--raw', '-Sdisable', '-Sqrcode.enable', file], {
    encoding: 'utf8',
  }).trimEnd();
}

const token = (n: number): string =>
  Buffer.from(Array.from({ length: 32 }, (_, k) => (k * 37 + n * 101) % 256)).toString('base64url');

test.each([
  ['at one address', 'https://marks.example/s/'],
  ['on this machine', 'http://localhost:4173/s/'],
  ['below a long name', `https://${'reading-room.'.repeat(5)}example/s/`],
])('links %s are read from their codes', (_what, base) => {
  for (let n = 0; n < 5; n++) {
    const address = base + token(n);
    expect(read(drawn(address, 3 + n))).toBe(address);
  }
});

test('there is white around a code on every side, four modules wide (ISO/IEC 18004, 6.3.8)', () => {
  const { side, path } = qrPath(`https://marks.example/s/${token(1)}`);
  const runs = [...path.matchAll(/M(\d+) (\d+)h(\d+)/g)].map(([, x, y, run]) => [
    Number(x),
    Number(y),
    Number(x) + Number(run),
  ]);
  expect(Math.min(...runs.map(([x, y]) => Math.min(x, y)))).toBe(4);
  expect(Math.max(...runs.map(([, y, end]) => Math.max(y + 1, end)))).toBe(side - 4);
});
