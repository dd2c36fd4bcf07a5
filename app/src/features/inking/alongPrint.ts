import {
  type InkSample,
  type Nib,
  NO_PRESSURE,
  PLAIN_NIB,
  POINTS_PER_MM,
} from '@marginalis/core/ink';
import type { Instrument, WritingInstrument } from '@marginalis/core/marks';
import { alongLine, type Print } from '@marginalis/core/print';

/** Ink that lies straight on a line of print, as high as the line. */
export interface LaidInk {
  readonly samples: readonly InkSample[];
  readonly nib: Nib;
}

/** Thickness of a nib that leaves ends nearly square, as a share of its edge. */
const FLAT = 0.1;

/** Whether an instrument lays its ink along the print: by its manner, or for one stroke against it, with a key held. */
export const laysDown = (instrument: Instrument, held: boolean): boolean =>
  instrument.kind === 'highlighter' && instrument.alongPrint !== held;

/** A stroke as it lies on the line of print it runs along; null where it runs along none. */
export function layAlong(print: Print, samples: readonly InkSample[]): LaidInk | null {
  const along = alongLine(print, samples);
  if (!along) return null;
  const { from, to, height, angle } = along;
  const [{ t: began }, { t: ended }] = [samples[0], samples[samples.length - 1]];
  return {
    samples: [
      { ...from, t: began, pressure: NO_PRESSURE },
      { ...to, t: ended, pressure: NO_PRESSURE },
    ],
    nib: { ...PLAIN_NIB, width: height, edge: { angle: angle + Math.PI / 2, flatness: FLAT } },
  };
}

/** The instrument as it wrote that. */
export const laidWith = (instrument: WritingInstrument, { nib }: LaidInk): WritingInstrument => ({
  ...instrument,
  widthMm: nib.width / POINTS_PER_MM,
  nib: { ...PLAIN_NIB, edge: nib.edge ?? null },
});
