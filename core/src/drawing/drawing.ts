import type { Matrix, Path } from '../geometry/index.ts';
import type { GlyphRun, TextBlock } from '../type/index.ts';

/** How a colour meets what lies beneath it. */
export type Blend = 'normal' | 'multiply';

/** What something is filled with. */
export interface Paint {
  /** `#rrggbb` in sRGB. */
  readonly colour: string;
  /** 0–1. */
  readonly opacity: number;
  /** Normal when left out. */
  readonly blend?: Blend;
}

/** A filled path; non-zero rule. */
export interface Fill {
  readonly is: 'fill';
  readonly path: Path;
  readonly paint: Paint;
}

/** A line of set text. */
export interface Glyphs {
  readonly is: 'glyphs';
  readonly run: GlyphRun;
  readonly paint: Paint;
}

/** Text that is still to be set: {@link setDrawing} makes glyphs of it, with the faces at hand. */
export interface Text {
  readonly is: 'text';
  readonly block: TextBlock;
  /** From the text's own space (origin at its upper left corner, y up) to user space. */
  readonly place: Matrix;
  /** What it takes when it is set, in its own space, points. */
  readonly width: number;
  readonly height: number;
  /** 0–1. */
  readonly opacity: number;
}

/** A picture; `place` carries the unit square (0,0)–(1,1), y up, to where it lies. */
export interface Picture {
  readonly is: 'picture';
  /** SHA-256 of its bytes, lower-case hex. */
  readonly source: string;
  readonly place: Matrix;
  /** 0–1. */
  readonly opacity: number;
  /** What is to be seen on it, for those who do not see it. */
  readonly says?: string;
}

/** Items drawn as one, by themselves, and then laid on what is beneath: they never darken one another. */
export interface Group {
  readonly is: 'group';
  readonly items: Drawing;
  /** Nothing of the group is seen outside; non-zero rule. */
  readonly clip?: Path;
  readonly blend?: Blend;
  /** 0–1; 1 when left out. */
  readonly opacity?: number;
  /** What it says, for those who do not see it. */
  readonly says?: string;
  /** Its outlines run either way round, so that they are never filled in one go: where they cross they would take one another away. */
  readonly layered?: true;
}

export type Item = Fill | Glyphs | Text | Picture | Group;

/** What is to be drawn, in order, in user space (points, y up): data that every sink draws alike. */
export type Drawing = readonly Item[];
