import type { Page } from '@marginalis/core/document';
import type { Box } from '@marginalis/core/geometry';
import type { PaperLook } from './look';
import { type Fit, PLAIN_VIEW, type StagePlace, type StageView } from './place';

/** What the rest of the screen shows of the stage. */
export interface StageSight {
  readonly first: number;
  readonly last: number;
  /** The page of which something reaches beyond it, and is in use wherever the window is; -1 without. */
  readonly reaching: number;
  /** The page that has the upper third of the window. */
  readonly current: number;
  readonly zoom: number;
  readonly fit: Fit;
  readonly view: StageView;
  /** The pages as they are by now, and how many there are. */
  readonly pages: readonly Page[];
  readonly count: number;
  /** Where one was before the last jump; null without one, and when one is there again. */
  readonly before: StagePlace | null;
  /** Where one was before going back there; null when one has not. */
  readonly after: StagePlace | null;
  /** A place that is held: one goes there and back with one tap; null without one. */
  readonly held: StagePlace | null;
  /** So much of the window's head is covered by what is said over the pages, CSS pixels. */
  readonly covered: number;
  /** How paper is seen. */
  readonly look: PaperLook;
  /** What another window shows of a page, points from its upper left corner as seen; null without one. */
  readonly framed: { readonly index: number; readonly area: Box } | null;
}

/** Before anything is seen. */
export const NOTHING: StageSight = {
  first: 0,
  last: 0,
  current: 0,
  zoom: 1,
  fit: 'width',
  view: PLAIN_VIEW,
  pages: [],
  count: 0,
  reaching: -1,
  before: null,
  after: null,
  held: null,
  covered: 0,
  framed: null,
  look: 'plain',
};
