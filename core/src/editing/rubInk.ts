import {
  boxesMeet,
  boxOfPoints,
  distance,
  growBox,
  nearestOnSegment,
  type Vec,
  withinCapsule,
} from '../geometry/index.ts';
import type { InkSample } from '../ink/index.ts';

/**
 * What a round rubber of `radius` points, swept along `sweep`, leaves of a stroke: the runs of its line outside the
 * sweep, in order, cut exactly; new ends get their time, pressure and tilt from the samples beside them. Runs shorter
 * than `inkWidth` are crumbs, and go too. A stroke that is not touched comes back as it is.
 */
export function rubInk(
  samples: readonly InkSample[],
  inkWidth: number,
  sweep: readonly Vec[],
  radius: number,
): InkSample[][] {
  if (sweep.length === 0 || samples.length === 0) return samples.length === 0 ? [] : [[...samples]];
  const pieces = piecesOf(sweep, radius);
  if (samples.length === 1)
    return pieces.some(({ from, to }) => nearestOnSegment(samples[0], from, to).distance < radius)
      ? []
      : [[...samples]];
  const runs: InkSample[][] = [];
  let run: InkSample[] = [samples[0]];
  let touched = false;
  for (let i = 1; i < samples.length; i++) {
    const [a, b] = [samples[i - 1], samples[i]];
    let at = 0;
    for (const [from, to] of rubbed(a, b, pieces, radius)) {
      touched = true;
      if (from > at) run.push(between(a, b, from));
      if (run.length > 1) runs.push(run);
      run = to < 1 ? [between(a, b, to)] : [];
      at = to;
    }
    if (at < 1) run.push(b);
  }
  if (run.length > 1) runs.push(run);
  if (!touched) return [[...samples]];
  return runs.filter((left) => !isShorter(left, inkWidth));
}

interface Piece {
  readonly from: Vec;
  readonly to: Vec;
  readonly box: ReturnType<typeof boxOfPoints>;
}

const piecesOf = (sweep: readonly Vec[], radius: number): Piece[] =>
  (sweep.length === 1 ? [sweep[0], sweep[0]] : sweep).slice(1).map((to, k) => ({
    from: sweep[k],
    to,
    box: growBox(boxOfPoints([sweep[k], to]), radius),
  }));

/** The parts of the segment `a`–`b` under the sweep, in order and not touching each other. */
function rubbed(
  a: InkSample,
  b: InkSample,
  pieces: readonly Piece[],
  radius: number,
): [number, number][] {
  const box = boxOfPoints([a, b]);
  const spans = pieces
    .filter((piece) => boxesMeet(piece.box, box))
    .map(({ from, to }) => withinCapsule(a, b, from, to, radius))
    .filter((span) => span !== null)
    .sort((p, q) => p[0] - q[0]);
  const out: [number, number][] = [];
  for (const [from, to] of spans) {
    const last = out[out.length - 1];
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else out.push([from, to]);
  }
  return out;
}

function between(a: InkSample, b: InkSample, u: number): InkSample {
  const mix = (p: number, q: number): number => p + (q - p) * u;
  const tilt =
    a.tiltX === undefined && b.tiltX === undefined
      ? {}
      : { tiltX: mix(a.tiltX ?? 0, b.tiltX ?? 0), tiltY: mix(a.tiltY ?? 0, b.tiltY ?? 0) };
  return {
    x: mix(a.x, b.x),
    y: mix(a.y, b.y),
    t: mix(a.t, b.t),
    pressure: mix(a.pressure, b.pressure),
    ...tilt,
  };
}

function isShorter(run: readonly InkSample[], length: number): boolean {
  let sum = 0;
  for (let i = 1; i < run.length; i++) {
    sum += distance(run[i - 1], run[i]);
    if (sum >= length) return false;
  }
  return true;
}
