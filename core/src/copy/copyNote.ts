import type { Drawing } from '../drawing/index.ts';
import type { SignPlace } from '../derived/index.ts';

/** A note as a copy tells it: pages are called by their names already, and times are written out. */
export interface CopyNote {
  readonly number: number;
  /** Where its number belongs, and on which page of the document, from 0; null where what it was about is gone. */
  readonly place: (SignPlace & { readonly page: number }) | null;
  /** What it is about: its page, and the words there. */
  readonly about: string;
  readonly remarks: readonly {
    /** Whose it is, and when. */
    readonly by: string;
    readonly text: string;
    /** What is written with the pen, in the coordinates of its sheet: its head at y = 0 and all below, points. */
    readonly ink?: { readonly drawing: Drawing; readonly height: number } | null;
  }[];
  /** What is to be done; empty where nothing is. */
  readonly task: string;
  /** What the task carries with it, as {@link HeldFiles} knows it, and its size, pixels; null without. */
  readonly picture?: {
    readonly source: string;
    readonly width: number;
    readonly height: number;
  } | null;
  /** What its labels are called. */
  readonly labels: readonly string[];
  /** Who settled it, and when; empty while it is open. */
  readonly settled: string;
}

/** All that is said in a note, for finding the faces it needs. */
export const saidIn = ({ about, remarks, task, labels, settled }: CopyNote): string =>
  [about, task, ...labels, settled, ...remarks.flatMap(({ by, text }) => [by, text])].join('\n');
