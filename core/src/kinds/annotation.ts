import type { Vec } from '../geometry/index.ts';
import type { Quad } from '../print/index.ts';

interface Stroked {
  /** Width of the border, points. */
  readonly width: number;
  readonly dashed?: boolean;
  /** `#rrggbb`; what closed shapes are filled with. */
  readonly inside?: string;
}

/**
 * A mark as the standard annotation that comes nearest (ISO 32000-1 §12.5.6): what another program can edit. How it
 * looks is the drawing's business. Points in user space.
 */
export type AnnotationSketch =
  | ({ readonly subtype: 'Ink'; readonly lines: readonly (readonly Vec[])[] } & Stroked)
  | ({
      readonly subtype: 'Line';
      readonly from: Vec;
      readonly to: Vec;
      /** Arrowheads at the beginning and at the end. */
      readonly heads: readonly [boolean, boolean];
    } & Stroked)
  | ({ readonly subtype: 'PolyLine' | 'Polygon'; readonly corners: readonly Vec[] } & Stroked)
  | {
      readonly subtype: 'Highlight' | 'Underline' | 'Squiggly' | 'StrikeOut';
      readonly quads: readonly Quad[];
    }
  | { readonly subtype: 'Text'; readonly at: Vec }
  | {
      readonly subtype: 'FreeText';
      /** Of its box: upper left, upper right, lower right, lower left, as it is read. */
      readonly corners: readonly [Vec, Vec, Vec, Vec];
      readonly text: string;
    }
  | ({ readonly subtype: 'Square' | 'Circle'; readonly corners: readonly [Vec, Vec] } & Stroked);
