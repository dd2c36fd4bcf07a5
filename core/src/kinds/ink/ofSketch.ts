import {
  joinPaths,
  lerp,
  nearestOnSegment,
  partsOfPath,
  type Path,
  polylinesOf,
  type Vec,
} from '../../geometry/index.ts';
import { packSamples, PLAIN_NIB } from '../../ink/index.ts';
import type { AnnotationSketch, SketchedBase } from '../annotation.ts';
import type { InkMark, WrittenInk } from './mark.ts';

/** Nobody knows how fast it was drawn: samples follow one another by so much, ms. */
const STEP = 8;
/** What a pen presses that tells no pressure (W3C Pointer Events). */
const PRESSURE = 0.5;

const packed = (points: readonly Vec[], pressure: (k: number) => number): Float64Array =>
  packSamples(points.map(({ x, y }, k) => ({ x, y, t: STEP * k, pressure: pressure(k) })));

const AS_DRAWN = { steadiness: 0, straight: false, engine: 0, hand: null } as const;

/** Ink along these points as they are. */
const drawnAlong = (points: readonly Vec[]): WrittenInk => ({
  ...AS_DRAWN,
  samples: packed(points, () => PRESSURE),
  nib: PLAIN_NIB,
});

/** The strokes of an ink annotation, each ink of its own; several belong together. */
export function inkOfSketch(sketch: AnnotationSketch, base: SketchedBase): readonly InkMark[] {
  if (sketch.subtype !== 'Ink') return [];
  const lines = sketch.lines.filter((points) => points.length > 0);
  const outlines = sketch.outline ? outlinesFor(lines, sketch.outline) : [];
  return lines.map((points, k) => {
    const filled = outlines[k] ? drawnAround(points, outlines[k]) : null;
    return {
      ...base,
      kind: 'ink',
      tool: sketch.multiplied ? 'highlighter' : 'pen',
      id: k === 0 ? base.id : `${base.id}.${k + 1}`,
      order: base.order + k / lines.length,
      style: { ...base.style, width: filled?.drawn.width ?? sketch.width },
      ...(lines.length > 1 ? { group: base.id } : {}),
      ink: filled ?? drawnAlong(points),
    };
  });
}

/** Chords of an outline that ink is measured by lie so far off it at most, points. */
const FLATNESS = 0.05;
/** Samples no farther apart, so that a width that changes between them is met, points. */
const APART = 3;
/** Samples and chords whose distances are all measured. */
const MOST_MEASURED = 20_000_000;
const THINNEST = 0.1;

/** Ink that looks as its outline does, and is a line about as wide as that is there. */
function drawnAround(
  points: readonly Vec[],
  outline: Path,
): (WrittenInk & { readonly drawn: NonNullable<WrittenInk['drawn']> }) | null {
  const around = polylinesOf(outline, FLATNESS);
  const line = densely(points);
  const chords = around.reduce((n, one) => n + one.length, 0);
  if (chords === 0 || chords * line.length > MOST_MEASURED) return null;
  const radii = line.map((p) => Math.max(THINNEST / 2, distanceTo(around, p)));
  const inOrder = [...radii].sort((a, b) => a - b);
  // Pressure reaches from nothing to double.
  const width = Math.max(2 * inOrder[radii.length >> 1], inOrder[radii.length - 1]);
  return {
    ...AS_DRAWN,
    samples: packed(line, (k) => Math.min(1, radii[k] / width)),
    nib: { ...PLAIN_NIB, thinning: 1 },
    drawn: { outline, width },
  };
}

function densely(points: readonly Vec[]): Vec[] {
  return points.flatMap((p, k) => {
    const next = points[k + 1];
    if (!next) return [p];
    const pieces = Math.min(50, Math.ceil(Math.hypot(next.x - p.x, next.y - p.y) / APART)) || 1;
    return Array.from({ length: pieces }, (_, i) => lerp(p, next, i / pieces));
  });
}

function distanceTo(lines: readonly (readonly Vec[])[], p: Vec): number {
  let least = Infinity;
  for (const line of lines)
    for (let k = 0; k < line.length; k++)
      least = Math.min(
        least,
        nearestOnSegment(p, line[k], line[Math.min(k + 1, line.length - 1)]).distance,
      );
  return least;
}

/** An outline's parts, each with the line that it lies around or in. */
function outlinesFor(lines: readonly (readonly Vec[])[], outline: Path): readonly (Path | null)[] {
  if (lines.length === 1) return [outline];
  const byLine: Path[][] = lines.map(() => []);
  for (const part of partsOfPath(outline)) {
    const at = { x: part.coords[0], y: part.coords[1] };
    let [nearest, least] = [0, Infinity];
    lines.forEach((line, k) => {
      const distance = distanceTo([line], at);
      if (distance < least) [nearest, least] = [k, distance];
    });
    byLine[nearest].push(part);
  }
  return byLine.map((parts) => (parts.length > 0 ? joinPaths(parts) : null));
}
