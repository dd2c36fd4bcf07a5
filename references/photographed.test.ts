import { readFileSync } from 'node:fs';
import {
  carried,
  evenLight,
  findCorners,
  homography,
  type Quad,
  sheetQuad,
  straightened,
} from '../core/src/photographed';
import { perspective, photographedSheet, TABLES } from '../core/testing/photographedSheets';
import { differingShare, type Picture } from './support/pictures';
import { pictureBy } from './support/programs';

/**
 * Sheets found on photographs and straightened, beside where they are known to be: sample pages laid on tables by rule (core/testing/photographedSheets), with shadows,
 * noise and a perspective that is worked out by other means. No photographs of others are within reach.
 */

jest.setTimeout(1_200_000);

const ALL = process.env.REFERENCES === 'all';
const COUNT = ALL ? 100 : 6;
/** Of the longer side of the sheet. */
const NEAR = 0.01;
const PAGES = ['rock-pool-zones', 'barnacles', 'handbook', 'tide-log'];

let sheets: readonly Picture[];
beforeAll(async () => {
  sheets = await Promise.all(
    PAGES.map((name) =>
      pictureBy(
        'poppler, Splash',
        new Uint8Array(readFileSync(`demo/documents/${name}.pdf`)),
        1,
        96,
      ),
    ),
  );
});

const longest = (quad: Quad): number =>
  Math.max(
    ...quad.map(({ x, y }, k) => Math.hypot(x - quad[(k + 1) % 4].x, y - quad[(k + 1) % 4].y)),
  );

/** How far places of the sheet lie from where they are, at most, as a share of its longer side: at the corners, on the sides and within. */
function farthest(found: Quad, corners: Quad): number {
  const flat = sheetQuad(1, 1);
  const own = homography(flat, found);
  const [a, b, c, d, e, f, g, h] = perspective(flat, corners);
  let most = 0;
  for (let u = 0; u <= 1; u += 0.25)
    for (let v = 0; v <= 1; v += 0.25) {
      const p = carried(own, { x: u, y: v });
      const w = g * u + h * v + 1;
      const there = { x: (a * u + b * v + c) / w, y: (d * u + e * v + f) / w };
      most = Math.max(most, Math.hypot(p.x - there.x, p.y - there.y));
    }
  return most / longest(corners);
}

test(`on ${COUNT} photographs the sheet is found, on tables of every pattern`, () => {
  const missed: string[] = [];
  const seen = new Set<string>();
  for (let seed = 1; seed <= COUNT; seed++) {
    const { picture, corners, table } = photographedSheet(sheets[seed % sheets.length], seed);
    seen.add(table);
    const found = findCorners(picture);
    const off = found ? farthest(found, corners) : null;
    if (off === null || off > NEAR) missed.push(`${seed}, ${table}: ${off?.toFixed(3) ?? 'none'}`);
  }
  console.log(`${COUNT - missed.length} of ${COUNT} found. ${missed.join('; ')}`);
  expect(missed.length).toBeLessThanOrEqual(0.05 * COUNT);
  if (ALL) expect([...seen].sort()).toEqual([...TABLES].sort());
});

test('straightened and lit evenly, a photographed page looks as the page does', () => {
  const { picture, corners } = photographedSheet(sheets[0], 4, 1500, 2000);
  const { width, height } = sheets[0];
  const sheet = straightened(picture, corners, { width, height });
  const before = differingShare(asPicture(sheet), sheets[0]);
  evenLight(sheet);
  const after = differingShare(asPicture(sheet), sheets[0]);
  console.log(
    `${(100 * before).toFixed(1)} % of blocks differ as it was lit, ${(100 * after).toFixed(1)} % evened.`,
  );
  expect(after).toBeLessThan(0.02);
  expect(before).toBeGreaterThan(5 * after);
});

const asPicture = ({
  width,
  height,
  data,
}: {
  width: number;
  height: number;
  data: Uint8Array | Uint8ClampedArray;
}): Picture => ({
  ...{ width, height },
  data: new Uint8Array(data),
});
