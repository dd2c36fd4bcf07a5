import { type DocState, nextOrder, type Transaction, markChange } from '../document/index.ts';
import type { HandReading, InkSample } from '../ink/index.ts';
import { type InkMark, writtenInk } from '../kinds/index.ts';
import {
  type Instrument,
  type WritingInstrument,
  instrumentStyle,
  writes,
  type MarkId,
  type PageId,
} from '../marks/index.ts';

export interface Stroke {
  readonly id: MarkId;
  readonly page: PageId;
  readonly instrument: WritingInstrument;
  /** In the page's user space. */
  readonly samples: readonly InkSample[];
  /** Milliseconds since 1970. */
  readonly madeAt: number;
  /** What the samples tell of the hand, when that has been read already; they are on the grid then. */
  readonly hand?: HandReading;
  /** Nobody when left out or empty. */
  readonly author?: string;
}

/**
 * Puts a stroke on its page.
 * @throws RangeError when it has no sample, or the instrument does not write
 */
export function drawInk(state: DocState, stroke: Stroke): Transaction {
  const { instrument } = stroke;
  if (stroke.samples.length === 0) throw new RangeError('A stroke needs at least one sample.');
  if (!writes(instrument))
    throw new RangeError(`The ${(instrument as Instrument).kind} does not write.`);
  const tool = instrument.kind === 'highlighter' ? 'highlighter' : 'pen';
  const mark: InkMark = {
    kind: 'ink',
    id: stroke.id,
    page: stroke.page,
    order: nextOrder(state, stroke.page),
    style: instrumentStyle(instrument),
    madeAt: stroke.madeAt,
    ...(stroke.author ? { author: stroke.author } : {}),
    tool,
    ink: writtenInk(stroke.samples, instrument, stroke.hand),
  };
  return {
    label: tool === 'highlighter' ? 'Highlight' : 'Write',
    changes: [markChange(null, mark)],
  };
}
