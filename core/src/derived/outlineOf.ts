import { insideOf, outlineParts } from '../figures/index.ts';
import {
  type Box,
  boxOfPoints,
  growBox,
  joinPaths,
  type Path,
  pathBounds,
  polylineLength,
  type Vec,
} from '../geometry/index.ts';
import { type InkSample, type Nib, outlineInk } from '../ink/index.ts';
import { type FigureMark, type InkMark, type Mark, placedSamples } from '../marks/index.ts';
import { adoptLine, linesOf, type MarkLine, wholeLines } from './lines.ts';

const outlines = new WeakMap<Mark, Path>();
const insides = new WeakMap<Mark, Path | null>();
const bounds = new WeakMap<Mark, Box>();
const roughBounds = new WeakMap<Mark, Box>();
const centrelines = new WeakMap<Mark, readonly (readonly Vec[])[]>();

function cached<T extends object>(cache: WeakMap<Mark, T>, mark: Mark, make: () => T): T {
  let value = cache.get(mark);
  if (!value) cache.set(mark, (value = make()));
  return value;
}

/** The lines that are left of a mark, points. */
export const centrelinesOf = (mark: Mark): readonly (readonly Vec[])[] =>
  cached(centrelines, mark, () => linesOf(mark).map(({ points }) => points));

/** The filled outline of a mark, for every sink; kept as long as the mark. */
export const outlineOf = (mark: Mark): Path =>
  cached(outlines, mark, () => (mark.kind === 'ink' ? inkOutline(mark) : figureOutline(mark)));

/** The nib ink was written with, as wide as it is now and turned with the ink. */
export function nibOf({ ink: { nib, place }, style: { width } }: InkMark): Nib {
  const { edge } = nib;
  if (!place || !edge) return { ...nib, width };
  const turned = Math.atan2(place[1], place[0]);
  return { ...nib, width, edge: { ...edge, angle: edge.angle + turned } };
}

/** The outline of one line at the width it was last asked for. */
const lineOutlines = new WeakMap<MarkLine, { readonly width: number; readonly outline: Path }>();

function inkOutline(mark: InkMark): Path {
  const nib = nibOf(mark);
  const { width } = nib;
  const outlines = linesOf(mark).map((line) => {
    const known = lineOutlines.get(line);
    if (known?.width === width) return known.outline;
    const around = nib.taper ? beyond(mark, line) : undefined;
    const outline = outlineInk(line.points as readonly InkSample[], nib, around);
    lineOutlines.set(line, { width, outline });
    return outline;
  });
  return outlines.length === 1 ? outlines[0] : joinPaths(outlines);
}

function figureOutline(mark: FigureMark): Path {
  const parts = linesOf(mark).map((line) => ({ ...line, before: beyond(mark, line).before }));
  return outlineParts(mark.figure, parts, mark.style.width, mark.dash);
}

/** How much of a mark's line lies before and after what is left of it, points. */
function beyond(mark: Mark, { line, points, at }: MarkLine): { before: number; after: number } {
  const all = wholeLines(mark)[line];
  if (all.points.length === points.length) return { before: 0, after: 0 };
  const upTo = polylineLength([...all.points.filter((_, i) => all.at[i] < at[0]), points[0]]);
  const rest = polylineLength(all.points) - upTo - polylineLength(points);
  return { before: upTo, after: Math.max(0, rest) };
}

/** The inside of a mark, where it is filled; null where it is not. */
export function insideOfMark(mark: Mark): Path | null {
  if (mark.kind !== 'figure' || !mark.fill) return null;
  let path = insides.get(mark);
  if (path === undefined) insides.set(mark, (path = insideOf(mark.figure)));
  return path;
}

export const boundsOf = (mark: Mark): Box =>
  cached(bounds, mark, () => pathBounds(outlineOf(mark)));

/**
 * About where a mark lies, without working out its outline: what asks for thousands of marks at once asks for this.
 * Never smaller than its lines.
 */
export function roughBoundsOf(mark: Mark): Box {
  const known = bounds.get(mark);
  if (known || mark.kind !== 'ink' || mark.left) return known ?? boundsOf(mark);
  return cached(roughBounds, mark, () =>
    growBox(boxOfPoints(placedSamples(mark.ink)), mark.style.width / 2),
  );
}

/** Takes over what another thread has worked out for the same ink, so that it is not done again. */
export function adoptDerived(
  mark: InkMark,
  { centreline, outline }: { centreline: readonly InkSample[]; outline: Path },
): void {
  adoptLine(mark, centreline);
  outlines.set(mark, outline);
}
