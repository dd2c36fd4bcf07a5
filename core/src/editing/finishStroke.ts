import { centrelinesOf, outlineOf } from '../derived/index.ts';
import { type DocState, emptyDocument, type Transaction } from '../document/index.ts';
import type { Path } from '../geometry/index.ts';
import {
  type HandReading,
  type InkSample,
  packSamples,
  quantiseSamples,
  unpackSamples,
} from '../ink/index.ts';
import {
  adoptStored,
  inkRead,
  type InkMark,
  packedSamples,
  storedSamples,
  type Mark,
  adoptDrawn,
  asInk,
} from '../kinds/index.ts';
import { type WritingInstrument } from '../marks/index.ts';
import { drawInk, putInk, type Stroke } from './draw.ts';
import { findFigure, type FoundFigure, inkOf, marksBefore } from './offerTidy.ts';

/** A stroke on its way to the thread that finishes it. Samples are packed. */
export interface StrokeWork {
  readonly instrument: WritingInstrument;
  readonly samples: Float64Array;
  /** The strokes of the marks that may be part of the same figure, the last one last. */
  readonly before: readonly (readonly Float64Array[])[];
}

/** What is worked out when the pen is lifted. */
export interface FinishedStroke {
  readonly hand: HandReading;
  /** On the grid, packed. */
  readonly samples: Float64Array;
  /** Packed. */
  readonly centreline: Float64Array;
  readonly outline: Path;
  /** The samples as they are stored. */
  readonly stored: string;
  readonly found: FoundFigure | null;
}

const toolOf = ({ kind }: WritingInstrument): InkMark['tool'] =>
  kind === 'highlighter' ? 'highlighter' : 'pen';

/** The ink a transaction puts on its page. */
const drawnInk = ({ changes: [{ after }] }: Transaction): InkMark | null => asInk(after as Mark);

/** What another thread needs to finish a stroke of this document. */
export function strokeWork(state: DocState, { instrument, ...stroke }: Stroke): StrokeWork {
  const { samples, page, madeAt } = stroke;
  const written = { page, madeAt, tool: toolOf(instrument), samples };
  const before = instrument.tidy === 'never' ? [] : marksBefore(state, written);
  return {
    instrument,
    samples: packSamples(samples),
    before: before.map((mark) => inkOf(mark).map(({ ink }) => packedSamples(ink))),
  };
}

/** The costly part of putting a stroke on a page: reading its hand, its outline, and whether it is a figure. */
export function finishStroke({ instrument, samples: packed, before }: StrokeWork): FinishedStroke {
  const samples: InkSample[] = quantiseSamples(unpackSamples(packed));
  const alone = { id: 'stroke', page: '', instrument, samples, madeAt: 0 };
  const mark = drawnInk(drawInk(emptyDocument([]), alone));
  if (!mark?.ink.hand) throw new RangeError('A stroke becomes ink.');
  const group = [...before.map((strokes) => strokes.map(unpackSamples)), [samples]];
  return {
    hand: mark.ink.hand,
    samples: mark.ink.samples,
    centreline: packSamples(centrelinesOf(mark)[0] as readonly InkSample[]),
    outline: outlineOf(mark),
    stored: storedSamples(mark.ink.samples),
    found: instrument.tidy === 'never' ? null : findFigure(group, instrument.tidy),
  };
}

/** Puts a finished stroke on its page: {@link drawInk} without the work. */
export function drawFinished(
  state: DocState,
  stroke: Stroke,
  { hand, samples, centreline, outline, stored }: FinishedStroke,
): Transaction {
  const transaction = putInk(state, stroke, inkRead(samples, stroke.instrument, hand));
  const mark = drawnInk(transaction);
  if (mark) {
    adoptDrawn(mark, { centreline, outline });
    adoptStored(mark.ink.samples, stored);
  }
  return transaction;
}
