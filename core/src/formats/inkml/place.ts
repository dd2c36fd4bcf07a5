import type { Page } from '../../document/index.ts';
import {
  type Box,
  boxHeight,
  boxOfPoints,
  boxWidth,
  displayMatrix,
  displaySize,
  invertMatrix,
  transform,
} from '../../geometry/index.ts';
import type { InkSample } from '../../ink/index.ts';
import { type InkMark, writtenInk } from '../../kinds/index.ts';
import type { ReadTrace } from './read.ts';

/** Ink on a page of the document, in its user space. */
export type PlacedInk = Pick<InkMark, 'page' | 'style' | 'tool' | 'ink'>;

/** Ink from a surface of another size is fitted into this share of the page. */
const SHARE = 0.9;
/** Ink may lie so far beyond the page before it counts as written on another surface, points. */
const BEYOND = 2;

/**
 * Puts traces on pages: each on the page it names, the rest on `otherwise`. Ink that would lie beyond its page
 * is made smaller to fit, all of a page together. What the samples tell of the hand is read on the way, which takes
 * most of the time.
 */
export function placeTraces(
  traces: readonly ReadTrace[],
  pages: readonly Page[],
  otherwise: number,
  onProgress: (done: number, all: number) => void = () => undefined,
): PlacedInk[] {
  const byPage = new Map<number, ReadTrace[]>();
  for (const trace of traces) {
    const index = trace.page !== null && trace.page in pages ? trace.page : otherwise;
    byPage.set(index, [...(byPage.get(index) ?? []), trace]);
  }
  let done = 0;
  return [...byPage].flatMap(([index, own]) => {
    const page = pages[index];
    const fit = fitting(boxOfPoints(own.flatMap((t) => t.samples)), page);
    const toUser = invertMatrix(displayMatrix(page, 1));
    const place = (s: InkSample): InkSample => ({
      ...s,
      ...transform(toUser, { x: s.x * fit.scale + fit.dx, y: s.y * fit.scale + fit.dy }),
    });
    return own.map((trace) => {
      onProgress(done++, traces.length);
      const { samples, style, tool } = trace;
      return {
        page: page.id,
        style: { ...style, width: style.width * fit.scale },
        tool,
        ink: writtenInk(samples.map(place), trace),
      };
    });
  });
}

function fitting(ink: Box, page: Page): { scale: number; dx: number; dy: number } {
  const { width, height } = displaySize(page);
  const inside =
    ink.minX >= -BEYOND &&
    ink.minY >= -BEYOND &&
    ink.maxX <= width + BEYOND &&
    ink.maxY <= height + BEYOND;
  if (inside) return { scale: 1, dx: 0, dy: 0 };
  const scale = Math.min(
    1,
    (SHARE * width) / Math.max(1, boxWidth(ink)),
    (SHARE * height) / Math.max(1, boxHeight(ink)),
  );
  return {
    scale,
    dx: (width - boxWidth(ink) * scale) / 2 - ink.minX * scale,
    dy: (height - boxHeight(ink) * scale) / 2 - ink.minY * scale,
  };
}
