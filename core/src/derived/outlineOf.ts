import { type Box, type Path, pathBounds, type Vec } from '../geometry/index.ts';
import { figureLines, insideOf, outlineFigure } from '../figures/index.ts';
import {
  centrelineOf,
  type InkSample,
  outlineInk,
  smoothInkAs,
  smoothInkOne,
  straightLine,
} from '../ink/index.ts';
import type { Mark, WrittenInk } from '../marks/index.ts';

const outlines = new WeakMap<Mark, Path>();
const insides = new WeakMap<Mark, Path | null>();
const bounds = new WeakMap<Mark, Box>();
const centrelines = new WeakMap<Mark, readonly (readonly Vec[])[]>();

function cached<T extends object>(cache: WeakMap<Mark, T>, mark: Mark, make: () => T): T {
  let value = cache.get(mark);
  if (!value) cache.set(mark, (value = make()));
  return value;
}

/** Smoothed, joined and thinned: what the outline and every hit test go along. */
function inkCentreline({ samples, steadiness, straight, hand }: WrittenInk): InkSample[] {
  if (straight) return straightLine(samples);
  return centrelineOf(
    hand ? smoothInkAs(samples, steadiness, hand) : smoothInkOne(samples, steadiness),
  );
}

/** The lines a mark is drawn along, points. */
export function centrelinesOf(mark: Mark): readonly (readonly Vec[])[] {
  return cached(centrelines, mark, () =>
    mark.kind === 'ink' ? [inkCentreline(mark.ink)] : figureLines(mark.figure),
  );
}

/** The filled outline of a mark, for every sink; kept as long as the mark. */
export function outlineOf(mark: Mark): Path {
  return cached(outlines, mark, () =>
    mark.kind === 'ink'
      ? outlineInk(centrelinesOf(mark)[0] as readonly InkSample[], {
          ...mark.ink.nib,
          width: mark.style.width,
        })
      : outlineFigure(mark.figure, mark.style.width, mark.dash),
  );
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
