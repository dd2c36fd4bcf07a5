import { type DocState, nextOrder, type Transaction, markChange } from '../document/index.ts';
import type { InkSample } from '../ink/index.ts';
import { type InkMark, type WrittenInk, writtenInk } from '../kinds/index.ts';
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
  /** Nobody when left out or empty. */
  readonly author?: string;
}

/**
 * Puts a stroke on its page.
 * @throws RangeError when it has no sample, or the instrument does not write
 */
export function drawInk(state: DocState, stroke: Stroke): Transaction {
  const { instrument, samples } = stroke;
  if (samples.length === 0) throw new RangeError('A stroke needs at least one sample.');
  if (!writes(instrument))
    throw new RangeError(`The ${(instrument as Instrument).kind} does not write.`);
  return putInk(state, stroke, writtenInk(samples, instrument));
}

/** Puts ink on its page whose samples have been read already. */
export function putInk(
  state: DocState,
  { instrument, ...stroke }: Omit<Stroke, 'samples'>,
  ink: WrittenInk,
): Transaction {
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
    ink,
  };
  return {
    label: tool === 'highlighter' ? 'Highlight' : 'Write',
    changes: [markChange(null, mark)],
  };
}
