import type { DocState } from '@marginalis/core/document';
import { withoutNotes } from '@marginalis/core/leaving';
import type { Protection } from '@marginalis/core/pdf';
import type { Settings } from '@/storage';
import type { Part } from './useAsked';

/** What a copy is made of, as what, and where the notes on pages of a fixed one stand. */
export interface CopyOfPart {
  readonly part: Pick<Part, 'document' | 'names' | 'area'>;
  readonly notes: Settings['sending']['notes'];
  readonly as: 'fixed' | 'living' | 'pictures';
  /** How pictures of it are drawn. */
  readonly pictures?: Pick<Settings['sending'], 'picture' | 'dpi'>;
  /** Who can open it; everybody where nothing is said. */
  readonly protection?: Protection | null;
  /** Dots an inch its pictures keep at most; as many as they have where nothing is said. */
  readonly smaller?: number | null;
  /** What pages are cut down from is left out. */
  readonly withoutCut?: boolean;
}

/** What goes into the copy: of a fixed one notes that are left out are only not drawn, in a living one they would be there. */
export const documentOf = ({ part, notes, as }: CopyOfPart): DocState =>
  as === 'living' && notes === 'none' ? withoutNotes(part.document) : part.document;
