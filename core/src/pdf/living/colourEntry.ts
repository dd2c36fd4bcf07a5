/** A colour `#rrggbb` as PDF has it: three shares of one. */
export const colourEntry = (colour: string): number[] =>
  [1, 3, 5].map((at) => Math.round((1000 * parseInt(colour.slice(at, at + 2), 16)) / 255) / 1000);
