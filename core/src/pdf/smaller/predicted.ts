/** What predicts a sample from those beside, above and aslant above it, as PNG numbers them (ISO 15948 §9.2). */
const PREDICTORS: readonly ((left: number, up: number, slant: number) => number)[] = [
  () => 0,
  (left) => left,
  (_, up) => up,
  (left, up) => (left + up) >> 1,
  (left, up, slant) => {
    const guess = left + up - slant;
    const [a, b, c] = [Math.abs(guess - left), Math.abs(guess - up), Math.abs(guess - slant)];
    return a <= b && a <= c ? left : b <= c ? up : slant;
  },
];

/**
 * Rows of samples, a byte each, as what they differ from a prediction by: in every row by the one that leaves least, its
 * number before the row. Packs far better than the samples do.
 */
export function predicted(samples: Uint8Array, width: number, components: 1 | 3): Uint8Array {
  const row = width * components;
  const rows = samples.length / row;
  const out = new Uint8Array(rows * (row + 1));
  const tried = new Uint8Array(row);
  for (let y = 0; y < rows; y++) {
    let least = Infinity;
    for (const [number, predict] of PREDICTORS.entries()) {
      let sum = 0;
      for (let x = 0; x < row; x++) {
        const at = y * row + x;
        const left = x < components ? 0 : samples[at - components];
        const up = y === 0 ? 0 : samples[at - row];
        const slant = x < components || y === 0 ? 0 : samples[at - row - components];
        const off = (samples[at] - predict(left, up, slant)) & 0xff;
        tried[x] = off;
        sum += off < 128 ? off : 256 - off;
      }
      if (sum >= least) continue;
      least = sum;
      out[y * (row + 1)] = number;
      out.set(tried, y * (row + 1) + 1);
    }
  }
  return out;
}
