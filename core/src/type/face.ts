import type { Path } from '../geometry/index.ts';
import type { FaceName, OwnFace } from './faces.ts';

/** A shaped glyph; numbers in shares of the size (em), from left to right. */
export interface ShapedGlyph {
  readonly id: number;
  /** What it stands for; empty for the further glyphs of a letter. */
  readonly text: string;
  readonly advance: number;
  readonly dx: number;
  readonly dy: number;
}

/** Some of a face's glyphs as a font file of their own. */
export interface FaceSubset {
  readonly bytes: Uint8Array;
  /** How its letters are drawn: a TrueType font, or bare CFF (Adobe Technical Note 5176) whose glyphs go by their numbers. */
  readonly outlines: 'truetype' | 'cff';
  /** From a glyph's number in the face to its number in the subset. */
  readonly ids: ReadonlyMap<number, number>;
}

/** A face that is loaded. Lengths are shares of the size, y up. */
export interface Face {
  readonly name: FaceName;
  /** As the file calls it. */
  readonly postscriptName: string;
  /** Its licence lets a part of it be put into documents, as its file says (OpenType, OS/2, fsType). */
  readonly mayEmbed: boolean;
  readonly ascent: number;
  /** Below the baseline; positive. */
  readonly descent: number;
  readonly capHeight: number;
  readonly italicAngle: number;
  readonly box: readonly [number, number, number, number];
  has(codePoint: number): boolean;
  /** Kerned, with its ligatures and marks in place; a run of one script and direction. */
  shape(text: string, rightToLeft: boolean): readonly ShapedGlyph[];
  advanceOf(glyph: number): number;
  /** The outline of a glyph, one em high. */
  outlineOf(glyph: number): Path;
  subset(glyphs: Iterable<number>): FaceSubset;
}

/** The faces that are loaded. */
export interface Fonts {
  /** A person's own faces, which are tried last; none when left out. */
  readonly own?: readonly OwnFace[];
  /** Null while it is not loaded. */
  face(name: FaceName): Face | null;
}
