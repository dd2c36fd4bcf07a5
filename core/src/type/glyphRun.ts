import { type Box, box, transformBox, type Matrix } from '../geometry/index.ts';
import type { FaceName } from './faces.ts';

/** A glyph of a face in its place. */
export interface PlacedGlyph {
  /** Number of the glyph in its face. */
  readonly id: number;
  /** From the run's origin, points, before `place`. */
  readonly x: number;
  readonly y: number;
  /** What it stands for; empty for the further glyphs of a letter. */
  readonly text: string;
}

/** A run of text of one face and one direction, set: what every sink draws without measuring anything itself. */
export interface GlyphRun {
  readonly face: FaceName;
  /** Points. */
  readonly size: number;
  /** From the run's own space (origin at the left end of the baseline, x along it, y up) to user space. */
  readonly place: Matrix;
  /** From left to right, whatever the direction of the script. */
  readonly glyphs: readonly PlacedGlyph[];
  /** Along the baseline, points. */
  readonly width: number;
  /** Above and below the baseline, points, both positive. */
  readonly ascent: number;
  readonly descent: number;
  /** What it says, in reading order. */
  readonly text: string;
  readonly rightToLeft: boolean;
  /** Its letters stand apart, each in a cell: what they say together is no less one word. */
  readonly inCells?: true;
}

/** The box of a run in user space, by its face's ascent and descent. */
export const runBox = ({ place, width, ascent, descent }: GlyphRun): Box =>
  transformBox(place, box(0, -descent, width, ascent));
