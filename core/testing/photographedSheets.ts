import { createCanvas } from '@napi-rs/canvas';
import type { Pixels } from '../src/photographed/index.ts';
import type { Vec } from '../src/geometry/index.ts';
import { seededRandom } from './seededRandom.ts';

/**
 * Photographs of a sheet on a table, made by rule: the sheet laid down in perspective on a patterned table, shadows over both, the noise and the softness of a
 * camera. The perspective is worked out by solving its eight equations, which the product does otherwise.
 */

export interface Photographed {
  readonly picture: Pixels;
  /** Where the corners of the sheet are, pixels: upper left, upper right, lower right, lower left of the sheet. */
  readonly corners: readonly [Vec, Vec, Vec, Vec];
  readonly table: Table;
}

export const TABLES = ['plain', 'checked', 'striped', 'plaid', 'wood', 'stone'] as const;
export type Table = (typeof TABLES)[number];

/** The map (a…h, 1) that carries four points to four others, by Gaussian elimination with pivots. */
export function perspective(from: readonly Vec[], to: readonly Vec[]): number[] {
  const rows = from.flatMap(({ x, y }, k) => {
    const { x: u, y: v } = to[k];
    return [
      [x, y, 1, 0, 0, 0, -u * x, -u * y, u],
      [0, 0, 0, x, y, 1, -v * x, -v * y, v],
    ];
  });
  for (let c = 0; c < 8; c++) {
    let pivot = c;
    for (let r = c; r < 8; r++) if (Math.abs(rows[r][c]) > Math.abs(rows[pivot][c])) pivot = r;
    [rows[c], rows[pivot]] = [rows[pivot], rows[c]];
    for (let r = 0; r < 8; r++) {
      if (r === c) continue;
      const by = rows[r][c] / rows[c][c];
      for (let k = c; k < 9; k++) rows[r][k] -= by * rows[c][k];
    }
  }
  return rows.map((row, k) => row[8] / row[k]);
}

const PALETTES: readonly (readonly [number, number, number])[][] = [
  [
    [120, 82, 48],
    [150, 108, 66],
    [98, 66, 40],
  ],
  [
    [52, 70, 96],
    [92, 116, 148],
    [170, 178, 186],
  ],
  [
    [150, 40, 44],
    [196, 176, 160],
    [110, 24, 30],
  ],
  [
    [60, 96, 70],
    [140, 160, 120],
    [200, 196, 170],
  ],
  [
    [36, 38, 44],
    [84, 86, 92],
    [60, 62, 70],
  ],
];

/** What the table looks like at a place, the sheet's longer side long 1; 0–255 each. */
function tableAt(
  table: Table,
  colours: readonly (readonly [number, number, number])[],
  x: number,
  y: number,
): readonly [number, number, number] {
  const a = colours[0];
  const b = colours[1];
  const c = colours[2];
  const cell = (v: number, pitch: number): number => Math.floor(v / pitch);
  const even = (n: number): boolean => (n & 1) === 0;
  switch (table) {
    case 'plain':
      return a;
    case 'checked':
      return even(cell(x, 0.09) + cell(y, 0.09)) ? a : b;
    case 'striped':
      return colours[((cell(x + 0.3 * y, 0.05) % 3) + 3) % 3];
    case 'plaid': {
      const lines = (even(cell(x, 0.04)) ? 1 : 0) + (even(cell(y, 0.06)) ? 1 : 0);
      return lines === 0 ? a : lines === 1 ? c : b;
    }
    case 'wood': {
      const ring = Math.sin(60 * (y + 0.05 * Math.sin(7 * x) + 0.02 * Math.sin(23 * x + 4 * y)));
      return mix(a, b, 0.5 + 0.5 * ring);
    }
    case 'stone': {
      const grain =
        Math.sin(91 * x + 37 * y) * Math.sin(53 * x - 71 * y) * Math.sin(17 * x + 29 * y);
      return grain > 0.25 ? b : grain < -0.3 ? c : a;
    }
  }
}

const mix = (
  a: readonly [number, number, number],
  b: readonly [number, number, number],
  t: number,
): [number, number, number] => [
  a[0] + t * (b[0] - a[0]),
  a[1] + t * (b[1] - a[1]),
  a[2] + t * (b[2] - a[2]),
];

/** A photograph of a sheet; the same for the same number. */
export function photographedSheet(
  sheet: Pixels,
  seed: number,
  width = 600,
  height = 800,
): Photographed {
  const random = seededRandom(seed);
  const between = (low: number, high: number): number => low + random() * (high - low);
  const table = TABLES[Math.floor(random() * TABLES.length)];
  const colours = PALETTES[Math.floor(random() * PALETTES.length)];
  // The sheet upright about the middle, turned a little, its corners drawn in as perspective does.
  const tall = between(0.55, 0.82) * height;
  const wide = Math.min((tall * sheet.width) / sheet.height, 0.86 * width);
  const turn = between(-0.28, 0.28);
  const lean = between(0, 0.16);
  const middle = { x: width * between(0.46, 0.54), y: height * between(0.47, 0.53) };
  const corners = [
    { x: -0.5 + lean * between(0.4, 1), y: -0.5 },
    { x: 0.5 - lean * between(0.4, 1), y: -0.5 },
    { x: 0.5, y: 0.5 },
    { x: -0.5, y: 0.5 },
  ].map(({ x, y }) => {
    const [px, py] = [
      x * wide + between(-0.02, 0.02) * wide,
      y * tall + between(-0.02, 0.02) * tall,
    ];
    return {
      x: middle.x + px * Math.cos(turn) - py * Math.sin(turn),
      y: middle.y + px * Math.sin(turn) + py * Math.cos(turn),
    };
  }) as unknown as Photographed['corners'];
  const flat = [
    { x: 0, y: 0 },
    { x: sheet.width, y: 0 },
    { x: sheet.width, y: sheet.height },
    { x: 0, y: sheet.height },
  ];
  const back = perspective(corners, flat);
  const paper = [between(0.9, 1), between(0.9, 1), between(0.84, 0.98)];
  const light = { x: between(-1, 1), y: between(-1, 1), dim: between(0.1, 0.45) };
  const cast = {
    angle: between(0, 2 * Math.PI),
    at: between(0.25, 0.75),
    soft: between(6, 60),
    dark: between(0.55, 0.9),
  };
  const data = new Uint8Array(4 * width * height);
  const shadowAlong = { x: Math.cos(cast.angle), y: Math.sin(cast.angle) };
  const noise = (): number => (random() + random() + random() - 1.5) * 6;
  const sub = [0.25, 0.75];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      let [r, g, b] = [0, 0, 0];
      for (const dy of sub)
        for (const dx of sub) {
          const w = back[6] * (x + dx) + back[7] * (y + dy) + 1;
          const u = (back[0] * (x + dx) + back[1] * (y + dy) + back[2]) / w;
          const v = (back[3] * (x + dx) + back[4] * (y + dy) + back[5]) / w;
          if (u >= 0 && v >= 0 && u < sheet.width && v < sheet.height) {
            const from = 4 * (Math.floor(v) * sheet.width + Math.floor(u));
            r += sheet.data[from] * paper[0];
            g += sheet.data[from + 1] * paper[1];
            b += sheet.data[from + 2] * paper[2];
          } else {
            const colour = tableAt(table, colours, u / sheet.height, v / sheet.height);
            r += colour[0];
            g += colour[1];
            b += colour[2];
          }
        }
      const across = (light.x * (x / width - 0.5) + light.y * (y / height - 0.5)) * light.dim;
      const off = (x - cast.at * width) * shadowAlong.x + (y - cast.at * height) * shadowAlong.y;
      const shade = cast.dark + (1 - cast.dark) / (1 + Math.exp(-off / cast.soft));
      const lit = (1 - light.dim / 2 + across) * shade;
      const at = 4 * (y * width + x);
      data[at] = level((r / 4) * lit + noise());
      data[at + 1] = level((g / 4) * lit + noise());
      data[at + 2] = level((b / 4) * lit + noise());
      data[at + 3] = 255;
    }
  return { picture: softenedByLens({ width, height, data }), corners, table };
}

const level = (v: number): number => Math.max(0, Math.min(255, v));

/** No lens is sharper than its pixels. */
function softenedByLens({ width, height, data }: Pixels): Pixels {
  const canvas = createCanvas(width, height);
  const ctx = canvas.getContext('2d');
  const image = ctx.createImageData(width, height);
  image.data.set(data);
  ctx.putImageData(image, 0, 0);
  const soft = createCanvas(width, height);
  const to = soft.getContext('2d');
  to.filter = 'blur(0.7px)';
  to.drawImage(canvas, 0, 0);
  return { width, height, data: new Uint8Array(to.getImageData(0, 0, width, height).data) };
}
