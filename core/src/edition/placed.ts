import type { Matrix } from '../geometry/index.ts';
import type { Mark } from '../kinds/index.ts';
import type { MarkId } from '../marks/index.ts';

/** How sure it is that a mark belongs where it was carried. */
export const VERDICTS = ['certain', 'likely', 'lost'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** By what its place was told. */
export type CarryReason =
  /** Its words are there, as they were. */
  | 'words'
  /** Its words are there, on other lines. */
  | 'reflowed'
  /** Some of its words have changed. */
  | 'reworded'
  /** What stands around it is there. */
  | 'around'
  /** What stands around it is there in part, or has moved in different ways. */
  | 'changed'
  /** The page is as it was. */
  | 'page'
  /** The page looks as it did. */
  | 'picture'
  /** What it was about is not there any more. */
  | 'gone'
  /** No page is like its page. */
  | 'noPage'
  /** Its field is there. */
  | 'sameField'
  /** It is the value of a field of the earlier file. */
  | 'field'
  /** Somebody has put it there. */
  | 'moved';

/** Where a mark belongs in another edition. */
export interface PlacedMark {
  readonly mark: MarkId;
  /** Marks of one number were carried as one: a line of writing, a group. */
  readonly unit: number;
  /** Of the edition before, from 0. */
  readonly from: number;
  readonly verdict: Verdict;
  /** 0–1 */
  readonly confidence: number;
  readonly reason: CarryReason;
  /** Page of the edition, from 0; null where it is lost. */
  readonly page: number | null;
  /** The mark as it lies there, on its old page’s id; null where it is lost. */
  readonly after: Mark | null;
  /** What carries its page's user space there. */
  readonly map: Matrix | null;
}
