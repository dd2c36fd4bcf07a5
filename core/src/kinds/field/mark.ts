import type { Box } from '../../geometry/index.ts';
import type { MarkBase } from '../../marks/index.ts';
import type { Alignment, Family } from '../../type/index.ts';

/** What stands in a box that is ticked; common practice names six. */
export const SIGNS = ['tick', 'cross', 'circle', 'square', 'diamond', 'star'] as const;
export type Sign = (typeof SIGNS)[number];

/** Where a field of a form is on a page: one of the annotations there (ISO 32000-1 §12.5.6.19). */
export interface WidgetPlace {
  /** Which of the annotations of its page in the source it is, from 0. */
  readonly index: number;
  /** The number of its object in the source. */
  readonly object: number;
  /** In user space. */
  readonly box: Box;
  /** The state it is in when it is switched on; null for what is not switched. */
  readonly state: string | null;
  /** How far what it shows is turned against its page, anticlockwise, degrees. */
  readonly turn: 0 | 90 | 180 | 270;
}

/** How the letters of a field look. */
export interface FieldLetters {
  readonly family: Family;
  readonly bold: boolean;
  readonly italic: boolean;
  /** Points; as large as fits with 0. */
  readonly size: number;
  readonly align: Alignment;
  /** Its text may have several lines. */
  readonly lines: boolean;
  /** Each letter stands in one of so many cells; none with 0. */
  readonly cells: number;
  /** What is filled in is not to be read: dots stand for it. */
  readonly secret: boolean;
}

/** How a field's box looks, as its form says. */
export interface FieldFrame {
  /** `#rrggbb`; nothing with null. */
  readonly ground: string | null;
  readonly border: {
    readonly colour: string;
    readonly width: number;
    readonly under: boolean;
  } | null;
  /** It is no rectangle, but the circle in it. */
  readonly round: boolean;
}

/** What somebody has filled into one place of a form. It takes the place of what the file shows there. */
export interface FieldMark extends MarkBase {
  readonly kind: 'field';
  /** The full name of the field (ISO 32000-1 §12.7.3.2). */
  readonly field: string;
  /** What it is called to people. */
  readonly label: string;
  readonly widget: WidgetPlace;
  /** As the form has it: a text, what is chosen, the state that it is switched to; nothing when it is empty or off. */
  readonly value: readonly string[];
  /** As it is read: what is chosen goes by its words. */
  readonly text: string;
  /** Null for what is ticked. */
  readonly letters: FieldLetters | null;
  readonly frame: FieldFrame;
  /** What is drawn in it, with its frame, when it is ticked; null for what has letters, and where the file draws its states itself. */
  readonly sign: Sign | null;
}

/** The mark where it is what was filled into a form; null where it is something else. */
export const asField = (mark: MarkBase | null): FieldMark | null =>
  mark?.kind === 'field' ? (mark as FieldMark) : null;
