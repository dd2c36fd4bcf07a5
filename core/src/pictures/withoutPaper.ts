/** Squares by which the brightness of the paper is told, of the shorter side, and pixels at least. */
const SQUARES = 24;
const LEAST = 8;
/** Paper is as bright as all but so many of a square's pixels, as a share. */
const BRIGHT = 0.9;
/** So much darker than the paper, as a share of it: what is no darker is paper, what is as dark is ink. */
const PAPER = 0.14;
const INK = 0.36;

/**
 * Takes the paper out of a photograph of something written: what is about as bright as the paper around it can be seen through, what is darker stays, in its own
 * colour. Shadows that fall over the paper go with it. In place; four bytes a pixel, red, green, blue, opacity.
 */
export function withoutPaper(data: Uint8ClampedArray, width: number, height: number): void {
  const side = Math.max(LEAST, Math.round(Math.min(width, height) / SQUARES));
  const [across, down] = [Math.ceil(width / side), Math.ceil(height / side)];
  const paper = spread(brightness(data, width, height, side, across, down), across, down);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const k = 4 * (y * width + x);
      const white = Math.max(1, between(paper, across, down, x / side - 0.5, y / side - 0.5));
      const darker = 1 - luminance(data, k) / white;
      const share = Math.min(1, Math.max(0, (darker - PAPER) / (INK - PAPER)));
      const opacity = share * share * (3 - 2 * share);
      data[k + 3] = Math.round(data[k + 3] * opacity);
      if (opacity <= 0 || opacity >= 1) continue;
      // What was mixed with the paper at its edge is as dark as what it belongs to.
      for (let c = 0; c < 3; c++)
        data[k + c] = Math.max(0, (data[k + c] - white * (1 - opacity)) / opacity);
    }
}

/** Rec. 709. */
const luminance = (data: Uint8ClampedArray, k: number): number =>
  0.2126 * data[k] + 0.7152 * data[k + 1] + 0.0722 * data[k + 2];

/** How bright each square is where it is bright. */
function brightness(
  data: Uint8ClampedArray,
  width: number,
  height: number,
  side: number,
  across: number,
  down: number,
): Float32Array {
  const found = new Float32Array(across * down);
  for (let v = 0; v < down; v++)
    for (let u = 0; u < across; u++) {
      const counts = new Uint32Array(256);
      let all = 0;
      for (let y = v * side; y < Math.min(height, (v + 1) * side); y++)
        for (let x = u * side; x < Math.min(width, (u + 1) * side); x++, all++)
          counts[Math.round(luminance(data, 4 * (y * width + x)))]++;
      let [level, beneath] = [0, counts[0]];
      while (level < 255 && beneath < BRIGHT * all) beneath += counts[++level];
      found[v * across + u] = level;
    }
  return found;
}

/** A square that is written all over has the paper of its neighbours. */
function spread(squares: Float32Array, across: number, down: number): Float32Array {
  return squares.map((_, k) => {
    const [u, v] = [k % across, Math.floor(k / across)];
    let most = 0;
    for (let y = Math.max(0, v - 1); y <= Math.min(down - 1, v + 1); y++)
      for (let x = Math.max(0, u - 1); x <= Math.min(across - 1, u + 1); x++)
        most = Math.max(most, squares[y * across + x]);
    return most;
  });
}

/** Between the middles of four squares. */
function between(
  squares: Float32Array,
  across: number,
  down: number,
  x: number,
  y: number,
): number {
  const [u, v] = [Math.floor(x), Math.floor(y)];
  const [s, t] = [x - u, y - v];
  const at = (i: number, j: number): number =>
    squares[Math.min(down - 1, Math.max(0, j)) * across + Math.min(across - 1, Math.max(0, i))];
  const above = at(u, v) * (1 - s) + at(u + 1, v) * s;
  const below = at(u, v + 1) * (1 - s) + at(u + 1, v + 1) * s;
  return above * (1 - t) + below * t;
}
