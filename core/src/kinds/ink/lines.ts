import { transform } from '../../geometry/index.ts';
import {
  centrelineOf,
  type InkSample,
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

/** Takes over a line that another thread has worked out; its times are places. */
export const adoptLine = ({ ink }: InkMark, points: readonly InkSample[]): void => {
  lines.set(ink, [{ line: 0, points, at: points.map((p) => p.t) }]);
};

function lineOf(ink: WrittenInk): MarkLine {
  const { place } = ink;
  const drawn = centrelineFor(ink);
  const points = place ? drawn.map((p) => ({ ...p, ...transform(place, p) })) : drawn;
  return { line: 0, points, at: drawn.map((p) => p.t) };
}

interface Smoothed extends Pick<WrittenInk, 'steadiness' | 'straight' | 'hand'> {
  readonly points: readonly InkSample[];
}

const smoothed = new WeakMap<WrittenInk['samples'], Smoothed>();

/** Kept as long as the samples, which ink takes along wherever it is moved. */
function centrelineFor(ink: WrittenInk): readonly InkSample[] {
  const { samples, steadiness, straight, hand } = ink;
  const known = smoothed.get(samples);
  if (known?.steadiness === steadiness && known.straight === straight && known.hand === hand)
    return known.points;
  const points = inkCentreline(ink);
  smoothed.set(samples, { steadiness, straight, hand, points });
  return points;
}

/** Smoothed, joined and thinned; instead of times it has places among the samples. */
function inkCentreline({ samples, steadiness, straight, hand }: WrittenInk): InkSample[] {
  const placed = (all: readonly InkSample[]): InkSample[] => all.map((s, t) => ({ ...s, t }));
  if (straight) return straightLine(placed(samples));
  return centrelineOf(
    placed(hand ? smoothInkAs(samples, steadiness, hand) : smoothInkOne(samples, steadiness)),
  );
}
