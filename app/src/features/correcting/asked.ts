import type { PrintedLine } from '@marginalis/core/editing';
import type { Vec } from '@marginalis/core/geometry';
import type { PageId } from '@marginalis/core/marks';
import type { PrintedLetter } from '@marginalis/core/print';
import type { LetterStyle } from '@marginalis/core/type';
import { createStore } from 'zustand/vanilla';

/** A line of print that is to be corrected, and how it looks. */
export interface AskedLine {
  readonly page: PageId;
  readonly line: PrintedLine;
  /** What it says by now: the print, or the correction that is there. */
  readonly says: string;
  readonly look: LetterStyle;
  /** The print's own letters, spaces as wide as there; null where they cannot be had. */
  readonly letters: readonly PrintedLetter[] | null;
  /** It is set in them. */
  readonly isOwn: boolean;
  readonly baseline: Vec;
  /** What it is printed in. */
  readonly ink: string;
  readonly paper: string;
  /** How long it may be, points: as far as its column goes. */
  readonly room: number;
  /** Whether its letters have serifs is not known by their name. */
  readonly isGuess: boolean;
  /** It is corrected already. */
  readonly isThere: boolean;
  /** How far it is moved along its line and upwards, points. */
  readonly shift: Vec;
}

export const askedLine = createStore<{ readonly asked: AskedLine | null }>(() => ({ asked: null }));
