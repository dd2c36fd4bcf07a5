const two = (share: number): string =>
  Math.round(255 * Math.min(1, Math.max(0, share)))
    .toString(16)
    .padStart(2, '0');

/** A colour `#rrggbb` of its levels, 0–1: grey, RGB or CMYK by their count; null where it is none. */
export function colourOfLevels(levels: readonly number[]): string | null {
  const rgb = rgbOf(levels);
  return rgb && `#${rgb.map(two).join('')}`;
}

function rgbOf(c: readonly number[]): readonly number[] | null {
  if (c.length === 1) return [c[0], c[0], c[0]];
  if (c.length === 3) return c;
  // Without a profile (ISO 32000-1 §10.3.5).
  if (c.length === 4) return [0, 1, 2].map((k) => 1 - Math.min(1, c[k] + c[3]));
  return null;
}

/** The levels of red, green and blue of a colour `#rrggbb`, 0–1. */
export const levelsOf = (colour: string): number[] =>
  [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16) / 255);
