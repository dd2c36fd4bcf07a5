/** Four bytes a pixel: red, green, blue, opacity. */
interface Pixels {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array | Uint8ClampedArray;
}

/** What a line of print is printed with, and on. */
export interface InkOnPaper {
  /** `#rrggbb` */
  readonly ink: string;
  readonly paper: string;
  /** The paper is of one colour all around the line. */
  readonly isPlain: boolean;
}

/** Colours nearer than this are one, 0–255. */
const ALIKE = 24;
/** Of the edge, so much may be something else: letters of other lines reach in. */
const EDGE = 0.2;

/** The colours of print on a picture of it: the commonest is the paper's, the one farthest from that is the ink's. */
export function inkOnPaper({ width, height, data }: Pixels): InkOnPaper {
  const counts = new Map<number, number>();
  const coarse = (k: number): number =>
    ((data[k] >> 3) << 10) | ((data[k + 1] >> 3) << 5) | (data[k + 2] >> 3);
  let most = 0;
  for (let k = 0; k < data.length; k += 4) {
    const key = coarse(k);
    const count = (counts.get(key) ?? 0) + 1;
    counts.set(key, count);
    if (count > (counts.get(coarse(most)) ?? 0)) most = k;
  }
  const paper = [data[most], data[most + 1], data[most + 2]] as const;
  const away = (k: number): number =>
    Math.hypot(data[k] - paper[0], data[k + 1] - paper[1], data[k + 2] - paper[2]);
  let far = most;
  for (let k = 0; k < data.length; k += 4) if (away(k) > away(far)) far = k;
  let [edge, other] = [0, 0];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      if (x > 0 && y > 0 && x < width - 1 && y < height - 1) continue;
      edge++;
      if (away(4 * (y * width + x)) > ALIKE) other++;
    }
  return { ink: hex(data, far), paper: hex(data, most), isPlain: other <= EDGE * edge };
}

const hex = (data: Uint8Array | Uint8ClampedArray, k: number): string =>
  `#${[0, 1, 2].map((c) => data[k + c].toString(16).padStart(2, '0')).join('')}`;
