import type { Matrix, Path, Vec } from '../geometry/index.ts';
import type { MarkBase } from '../marks/index.ts';
import type { Quad } from '../print/index.ts';
import type { Alignment, Family } from '../type/index.ts';

interface Stroked {
  /** Width of the border, points. */
  readonly width: number;
  readonly dashed?: boolean;
  /** `#rrggbb`; what closed shapes are filled with. */
  readonly inside?: string;
}

/** How typed text looks, as far as another program can be told. */
interface Lettered {
  /** Of its letters, points. */
  readonly size: number;
  readonly family: Family;
  readonly bold: boolean;
  readonly italic: boolean;
  readonly align: Alignment;
  /** `#rrggbb`; what its box is filled with. */
  readonly ground?: string;
  /** Width of its box's border, points. */
  readonly border: number;
  /** The line by which it points at a place, from there to its box. */
  readonly leader?: {
    readonly to: Vec;
    readonly bend: Vec | null;
    readonly from: Vec;
    readonly head: boolean;
  };
}

/**
 * A mark as the standard annotation that comes nearest (ISO 32000-1 §12.5.6): what another program can edit. How it
 * looks is the drawing's business. Points in user space.
 */
export type AnnotationSketch =
  | ({
      readonly subtype: 'Ink';
      readonly lines: readonly (readonly Vec[])[];
      /** What is seen of the lines, where that is told: filled, non-zero rule. */
      readonly outline?: Path;
      /** It is multiplied onto what lies beneath. */
      readonly multiplied?: boolean;
    } & Stroked)
  | ({
      readonly subtype: 'Line';
      readonly from: Vec;
      readonly to: Vec;
      /** Arrowheads at the beginning and at the end. */
      readonly heads: readonly [boolean, boolean];
    } & Stroked)
  | ({
      readonly subtype: 'PolyLine' | 'Polygon';
      readonly corners: readonly Vec[];
      readonly heads?: readonly [boolean, boolean];
      /** Its sides bulge. */
      readonly cloudy?: boolean;
    } & Stroked)
  | {
      readonly subtype: 'Highlight' | 'Underline' | 'Squiggly' | 'StrikeOut';
      readonly quads: readonly Quad[];
    }
  | { readonly subtype: 'Text'; readonly at: Vec }
  | {
      readonly subtype: 'Stamp';
      /** What is to be seen on it, where somebody has said so. */
      readonly says: string;
      /** The one picture that it shows, by its attachment; others are drawn. */
      readonly picture?: { readonly source: string; readonly place: Matrix };
    }
  | ({
      readonly subtype: 'FreeText';
      /** Of its box: upper left, upper right, lower right, lower left, as it is read. */
      readonly corners: readonly [Vec, Vec, Vec, Vec];
      readonly text: string;
    } & Lettered)
  | {
      /** A field of the file's form, which is there already. */
      readonly subtype: 'Widget';
      readonly field: string;
      readonly value: readonly string[];
    }
  | ({ readonly subtype: 'Square' | 'Circle'; readonly corners: readonly [Vec, Vec] } & Stroked);

/** What a mark that is made of an annotation has, whatever kind it becomes. */
export type SketchedBase = Omit<MarkBase, 'kind'>;
