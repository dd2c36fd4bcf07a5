import type { MarkBase } from '../../marks/index.ts';
import type { Quad } from '../../print/index.ts';

/** What must not leave: on the screen bars hide it, in copies all that lies beneath them is gone. */
export interface RedactionMark extends MarkBase {
  readonly kind: 'redaction';
  /** Where the bars lie. */
  readonly quads: readonly Quad[];
  /** The words beneath; empty where there are none, and in copies. */
  readonly says: string;
}

/** The mark where it is a redaction; null where it is something else. */
export const asRedaction = (mark: MarkBase | null): RedactionMark | null =>
  mark?.kind === 'redaction' ? (mark as RedactionMark) : null;
