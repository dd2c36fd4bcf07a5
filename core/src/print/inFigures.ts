import { nearestOnSegment, type Vec } from '../geometry/index.ts';
import type { Level, SeenLines, Upright } from './seenLines.ts';

/** What is no farther apart touches, points. */
const TOUCHING = 1.8;
/** Pages with more lines are drawings throughout, or tables that have no figures: they are not looked through. */
const MOST = 2_500;

/** A line by its ends. */
type Piece = readonly [Vec, Vec];

/**
 * The lines of a page without those that belong to figures: they end at something slanting or curved, or meet what does so. What stands between the lines
 * of a circuit or a diagram is not written on.
 */
export function withoutFigures(seen: SeenLines): SeenLines {
  const { levels, uprights, slants } = seen;
  if (slants.length === 0 || levels.length + uprights.length + slants.length > MOST) return seen;
  const isDrawn = new Set<Level | Upright>();
  let others: { readonly piece: Piece; readonly line: Level | Upright }[] = [
    ...levels.map((line) => ({ piece: pieceOfLevel(line), line })),
    ...uprights.map((line) => ({ piece: pieceOfUpright(line), line })),
  ];
  let touched = others.filter(({ piece }) => slants.some((one) => endMeets(piece, one)));
  while (touched.length > 0) {
    for (const { line } of touched) isDrawn.add(line);
    others = others.filter(({ line }) => !isDrawn.has(line));
    const fresh = touched;
    touched = others.filter(({ piece }) =>
      fresh.some((one) => endMeets(piece, one.piece) || endMeets(one.piece, piece)),
    );
  }
  return {
    levels: levels.filter((line) => !isDrawn.has(line)),
    uprights: uprights.filter((line) => !isDrawn.has(line)),
    slants,
  };
}

const pieceOfLevel = ({ from, to, y }: Level): Piece => [
  { x: from, y },
  { x: to, y },
];
const pieceOfUpright = ({ x, top, foot }: Upright): Piece => [
  { x, y: top },
  { x, y: foot },
];

/** An end of one lies on the other. */
const endMeets = (a: Piece, [from, to]: Piece): boolean =>
  a.some((end) => nearestOnSegment(end, from, to).distance < TOUCHING);
