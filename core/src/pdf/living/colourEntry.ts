import { levelsOf } from '../../annotations/index.ts';

/** A colour `#rrggbb` as PDF has it: three shares of one. */
export const colourEntry = (colour: string): number[] =>
  levelsOf(colour).map((level) => Math.round(1000 * level) / 1000);
