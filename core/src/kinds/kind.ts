import type { Drawing } from '../drawing/index.ts';
import type { Box, Matrix, Path, Vec } from '../geometry/index.ts';
import type { NibManner } from '../ink/index.ts';
import type { Dash } from '../figures/index.ts';
import type {
  Inside,
  InstrumentKind,
  MarkBase,
  MarkLine,
  MarkRecord,
  MarkStyle,
  Run,
  WordManner,
} from '../marks/index.ts';
import type { Quad } from '../print/index.ts';
import type { AnnotationSketch, SketchedBase } from './annotation.ts';

/** How marks are carried to another place. */
export interface CarryOptions {
  /** Whether lines grow wider as the mark grows. */
  readonly widthFollows?: boolean;
}

/** What of a mark's look can be changed; a kind that lacks something does not say it, and leaves it alone. */
export interface Look {
  readonly style: MarkStyle;
  /** It has neither ink nor line: of its style only the opacity is seen. */
  readonly inkless?: true;
  /** How strongly ink is smoothed, 0–100. */
  readonly steadiness?: number;
  readonly nib?: NibManner;
  readonly dash?: Dash;
  /** What a mark does to its words. */
  readonly manner?: WordManner;
  /** Null where there is an inside that is empty. */
  readonly fill?: Inside | null;
}

/** A change of look; what a mark lacks is left. */
export interface LookChange extends Partial<Omit<Look, 'style' | 'nib' | 'inkless'>> {
  readonly style?: Partial<MarkStyle>;
}

/** Beneath: multiplied onto the page under everything else. Over: painted, each above what was made before it. */
export type Plane = 'beneath' | 'over';

/** An annotation of the source that a mark takes the place of, or switches. */
export interface Covered {
  /** Which of the annotations of its page in the source it is, from 0, and the number of its object there. */
  readonly index: number;
  readonly object: number;
  /** The state that it is seen in; with null it is not seen at all. */
  readonly state: string | null;
}

/** Print that is gone from copies. */
export interface TakenPrint {
  readonly quad: Quad;
  readonly says: string;
}

/** What a mark is called, and what it says; for lists, search and screen readers. */
export interface MarkWords {
  /** As a person would name this one: "Highlight", "Arrow". */
  readonly name: string;
  /** What it says by itself; empty where it says nothing. */
  readonly text: string;
  /** Which of the kind's {@link Kind.sorts} it is. */
  readonly sort: string;
}

/**
 * All there is to know of a kind of mark. A new kind is a folder beside this file and a line in the table: everything
 * else draws, hits, moves, restyles, rubs, stores and lists marks through these.
 */
export interface Kind<M extends MarkBase> {
  readonly name: M['kind'];
  /** What marks of this kind are told apart by in lists and by erasers, and what several are called. */
  readonly sorts: Readonly<Record<string, string>>;
  /** Plain JSON, which {@link fromRecord} of this and every later release reads. */
  toRecord(mark: M): MarkRecord;
  /** @throws MarkRecordError, or what validation and decoding throw, when it is not a mark of this kind */
  fromRecord(record: unknown): M;
  plane(mark: M): Plane;
  /** In user space. */
  draw(mark: M): Drawing;
  /** All that {@link draw} fills, where that is one path, kept as long as the mark: boxes of thousands need no drawings. */
  outline?(mark: M): Path;
  /** Around all that {@link draw} draws, where that can be told without drawing. */
  bounds?(mark: M): Box;
  /** About where it lies, without drawing it; never smaller than its lines. */
  roughBounds(mark: M): Box;
  /** The lines it is drawn along, whole; what can be rubbed in part, and is met near its line. Whole only without. */
  lines?(mark: M): readonly MarkLine[];
  /** How far its ink reaches to either side of points of its lines, points; half its width without. */
  reach?(mark: M): (point: Vec) => number;
  /** Polygons that are met anywhere inside. A kind with neither lines nor these is met in its bounds. */
  areas?(mark: M): readonly (readonly Vec[])[];
  /** The closed line that connectors end on; nothing is tied to a kind without. Null where this mark has none. */
  edge?(mark: M): readonly Vec[] | null;
  /**
   * What a rubber leaves of it, where it is not cut along lines but in pieces; `touches` tells which areas the rubber touches. The same mark when
   * it touches none, null when nothing is left. Without, and without lines, it goes whole.
   */
  rub?(mark: M, touches: (area: readonly Vec[]) => boolean): M | null;
  /** No rubber takes it, nor does a page that is cleared: it is removed where it is read. */
  readonly unrubbed?: true;
  /** It belongs to what is printed where it lies: a person does not move, scale or turn it. */
  readonly bound?: true;
  /** The annotation whose place it takes, or that it switches; none without. */
  covers?(mark: M): Covered;
  /** Print that it takes out of the page: where it lies, and what it says. None without. */
  takesOut?(mark: M): TakenPrint;
  /** Where everything beneath it goes out of copies. Nothing does without. */
  redacts?(mark: M): readonly Quad[];
  /** It lies above all others, whenever it was made. */
  readonly topmost?: true;
  /** As it stands in copies, from which what it takes out is gone; as on the screen without. */
  inCopy?(mark: M): M;
  /** Under an affine map of its page. */
  carry(mark: M, by: Matrix, options: CarryOptions): M;
  /** Its pieces as marks of their own, with the first one's id in all; the same mark with one run each without. */
  split?(mark: M, runs: readonly Run[]): readonly M[];
  /** The attachments that it shows: they are kept as long as it is. Without, it shows none. */
  attachments?(mark: M): readonly string[];
  /** With each of the marks that it is made of changed; what is made of none needs none. */
  mapParts?(mark: M, change: (part: MarkBase) => MarkBase): M;
  /** The instrument that makes marks like this one; none where no instrument does. */
  madeWith?(mark: M): InstrumentKind;
  look(mark: M): Look;
  restyle(mark: M, change: LookChange): M;
  words(mark: M): MarkWords;
  /** As a standard annotation (ISO 32000-1 §12.5.6), beside the drawing. */
  annotation(mark: M): AnnotationSketch;
  /**
   * Marks of this kind that come nearest to an annotation of another program; none where it is not theirs to be. Of several the first has the base's id,
   * the others that with a number.
   */
  ofAnnotation?(sketch: AnnotationSketch, base: SketchedBase): readonly M[];
}
