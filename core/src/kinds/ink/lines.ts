import { transform } from '../../geometry/index.ts';
import {
  centrelineOf,
  type InkSample,
  packSamples,
  samplesIn,
  smoothInkAs,
  smoothInkOne,
  straightLine,
} from '../../ink/index.ts';
import type { MarkLine } from '../../marks/index.ts';
import type { InkMark, WrittenInk } from './mark.ts';

/** By what was written, so that a mark that is rubbed or restyled keeps its line. */
const lines = new WeakMap<WrittenInk, readonly MarkLine[]>();

/** The line ink was written along, whole; its points are samples, its places are counted in the samples written. */
export function inkLines({ ink }: InkMark): readonly MarkLine[] {
  let known = lines.get(ink);
  if (!known) lines.set(ink, (known = [lineOf(ink)]));
  return known;
}

/** Takes over a line that another thread has worked out, packed; its times are places. */
export const adoptLine = ({ ink }: InkMark, points: Float64Array): void => {
  lines.set(ink, [new InkLine(points)]);
};

/** A line that is packed until somebody looks at its points. */
class InkLine implements MarkLine {
  readonly line = 0;
  /** Numbers in a row cost a collector nothing: these stay when they have been asked for. */
  private places: readonly number[] | undefined;

  constructor(private readonly packed: Float64Array) {}

  get points(): readonly InkSample[] {
    return samplesIn(this.packed);
  }

  get at(): readonly number[] {
    return (this.places ??= this.points.map((p) => p.t));
  }
}

function lineOf(ink: WrittenInk): MarkLine {
  const { place } = ink;
  const drawn = centrelineFor(ink);
  if (!place) return new InkLine(drawn);
  return new InkLine(packSamples(samplesIn(drawn).map((p) => ({ ...p, ...transform(place, p) }))));
}

interface Smoothed extends Pick<WrittenInk, 'steadiness' | 'straight' | 'hand'> {
  readonly points: Float64Array;
}

const smoothed = new WeakMap<WrittenInk['samples'], Smoothed>();

/** Packed; kept as long as the samples, which ink takes along wherever it is moved. */
function centrelineFor(ink: WrittenInk): Float64Array {
  const { samples, steadiness, straight, hand } = ink;
  const known = smoothed.get(samples);
  if (known?.steadiness === steadiness && known.straight === straight && known.hand === hand)
    return known.points;
  const points = packSamples(inkCentreline(ink));
  smoothed.set(samples, { steadiness, straight, hand, points });
  return points;
}

/** Smoothed, joined and thinned; instead of times it has places among the samples. */
function inkCentreline(ink: WrittenInk): InkSample[] {
  const { steadiness, straight, hand, engine } = ink;
  const samples = samplesIn(ink.samples);
  const placed = (all: readonly InkSample[]): InkSample[] => all.map((s, t) => ({ ...s, t }));
  if (engine === 0) return placed(samples);
  if (straight) return straightLine(placed(samples));
  return centrelineOf(
    placed(hand ? smoothInkAs(samples, steadiness, hand) : smoothInkOne(samples, steadiness)),
  );
}
