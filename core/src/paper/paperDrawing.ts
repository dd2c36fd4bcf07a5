import type { Drawing } from '../drawing/index.ts';
import { type Box, boxHeight, boxWidth, ellipseInto, PathBuilder } from '../geometry/index.ts';
import type { Ruling } from './paper.ts';

/** Pale enough to lie behind writing: blue-grey, as exercise books are ruled (common practice, no source). */
const INK = '#a9bccb';
/** Of a line, and of a dot across, points. */
const LINE = 0.5;
const DOT = 1.1;
/** A ruled page begins so many lines from the top. */
const HEAD_LINES = 2.5;
/** A stave has so many lines, and its first line is so many pitches below that of the one above: between them there is room for what goes beyond it (common practice, no source). */
const STAVE_LINES = 5;
const STAVE_STEP = 12;
/** More lines or dots than this are on no page. */
const MOST = 60_000;

/** On the grid that copies are written on, hundredths of a point. */
const onGrid = (x: number): number => Math.round(x * 100) / 100;

function rectangle(path: PathBuilder, x0: number, y0: number, x1: number, y1: number): void {
  path.moveTo(onGrid(x0), onGrid(y0));
  path.lineTo(onGrid(x1), onGrid(y0));
  path.lineTo(onGrid(x1), onGrid(y1));
  path.lineTo(onGrid(x0), onGrid(y1));
  path.closePath();
}

/** Places `pitch` apart, as far from one end as from the other. */
function evenly(from: number, to: number, pitch: number): number[] {
  const count = Math.floor((to - from) / pitch);
  const first = from + (to - from - count * pitch) / 2;
  return Array.from({ length: count + 1 }, (_, i) => first + i * pitch);
}

/** The first lines of staves, as far from the head of a page as the last is from its foot. */
function staves({ minY, maxY }: Box, pitch: number): number[] {
  const high = (STAVE_LINES - 1) * pitch;
  const room = maxY - minY - high;
  const count = Math.max(0, Math.floor(room / (STAVE_STEP * pitch)));
  const above = (room - (count - 1) * STAVE_STEP * pitch) / 2;
  return Array.from({ length: count }, (_, k) => maxY - above - k * STAVE_STEP * pitch);
}

const across = (path: PathBuilder, { minX, maxX }: Box, y: number): void =>
  rectangle(path, minX, y - LINE / 2, maxX, y + LINE / 2);
const down = (path: PathBuilder, { minY, maxY }: Box, x: number): void =>
  rectangle(path, x - LINE / 2, minY, x + LINE / 2, maxY);

/** Rounds a dot's circle to the grid. */
const gridSink = (path: PathBuilder): Parameters<typeof ellipseInto>[0] => ({
  moveTo: (x, y) => path.moveTo(onGrid(x), onGrid(y)),
  lineTo: (x, y) => path.lineTo(onGrid(x), onGrid(y)),
  bezierCurveTo: (a, b, c, d, x, y) =>
    path.bezierCurveTo(onGrid(a), onGrid(b), onGrid(c), onGrid(d), onGrid(x), onGrid(y)),
  closePath: () => path.closePath(),
});

/** What is printed on an empty page that fills `box`; nothing on a blank one. */
export function paperDrawing({ pattern, pitch }: Ruling, box: Box): Drawing {
  const path = new PathBuilder();
  const { minX, minY, maxX, maxY } = box;
  const columns = (): number[] => evenly(minX, maxX, pitch);
  const rows = (): number[] => evenly(minY, maxY, pitch);
  const cells = (boxWidth(box) / pitch + 1) * (boxHeight(box) / pitch + 1);
  if (pattern === 'blank' || cells > MOST) return [];
  if (pattern === 'ruled')
    for (let y = maxY - HEAD_LINES * pitch; y > minY + pitch / 2; y -= pitch) across(path, box, y);
  if (pattern === 'squared') {
    for (const y of rows()) across(path, box, y);
    for (const x of columns()) down(path, box, x);
  }
  if (pattern === 'staved')
    for (const top of staves(box, pitch))
      for (let line = 0; line < STAVE_LINES; line++) across(path, box, top - line * pitch);
  if (pattern === 'dotted')
    for (const y of rows())
      for (const x of columns()) ellipseInto(gridSink(path), { x, y }, DOT / 2, DOT / 2);
  return [{ is: 'fill', path: path.build(), paint: { colour: INK, opacity: 1 } }];
}
