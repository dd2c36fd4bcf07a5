import {
  type Box,
  boxesMeet,
  boxOfPoints,
  growBox,
  distance,
  inPolygon,
  type Vec,
} from '../geometry/index.ts';
import type { Print, PrintLine, TextRange } from './print.ts';

/** How ink means words. */
export type WordWay = 'underlined' | 'struck' | 'encircled' | 'bracketed';

/** Words of a page that ink means. */
export interface WordsMeant {
  readonly way: WordWay;
  /** Parts of the text, in reading order. */
  readonly ranges: readonly TextRange[];
}

/** A line goes round something when its ends are no farther apart than this share of its length. */
const CLOSED = 0.2;
/** Of a word that is gone round, so much lies inside. */
const INSIDE = 0.6;
/** Where that is looked at, in shares of its box. */
const ALONG = [0.1, 0.3, 0.5, 0.7, 0.9];
const ACROSS = [0.3, 0.55, 0.8];
/** A line along print rises and falls by no more than so many heights of print, and is so much longer than high. */
const FLAT = 0.9;
const LONG = 2.2;
/** Where such a line runs, in heights of print above the foot of its line: beneath the words, or through them. */
const BENEATH = [-0.6, 0.26] as const;
const THROUGH = [0.26, 0.82] as const;
/** Where the hand underlines. */
const FOOT = 0.05;
/** So much of a word lies over it. */
const OVER = 0.5;
/** A line in the margin is higher than so many lines of print, so much higher than wide, and no farther from them, points. */
const BRACKET = 1.3;
const UPRIGHT = 2.6;
const MARGIN = 40;
/** Lines of the same column may begin so much farther in, points. */
const INDENT = 200;
/** Of a line of print beside it, so much of its height lies beside it. */
const BESIDE = 0.5;

/** The words that a drawn line means, by where it runs; null where it means none. Points in user space, as they follow on the line. */
export function wordsMeant(print: Print, drawn: readonly Vec[]): WordsMeant | null {
  if (drawn.length < 2 || print.words.length === 0) return null;
  return around(print, drawn) ?? along(print, drawn) ?? beside(print, drawn);
}

function around(print: Print, drawn: readonly Vec[]): WordsMeant | null {
  const length = drawn.reduce((sum, p, k) => (k === 0 ? 0 : sum + distance(drawn[k - 1], p)), 0);
  if (distance(drawn[0], drawn[drawn.length - 1]) > CLOSED * length) return null;
  const bounds = boxOfPoints(drawn);
  const inside = print.words.filter(({ box }) => {
    if (!boxesMeet(box, bounds)) return false;
    const { minX, minY, maxX, maxY } = box;
    const samples = ALONG.flatMap((u) =>
      ACROSS.map((v) => ({ x: minX + u * (maxX - minX), y: minY + v * (maxY - minY) })),
    );
    const within = samples.filter((at) => inPolygon(drawn, at));
    return within.length >= INSIDE * samples.length;
  });
  return found('encircled', print, inside);
}

/** A place in the frame of a line of print: along it, and up from its foot in heights of the line. */
function frameOf({ angle, box, size }: PrintLine): { at: (p: Vec) => Vec; height: number } {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const level = Math.abs(c) > Math.abs(s);
  const height = level ? box.maxY - box.minY : box.maxX - box.minX;
  const corners = [
    { x: box.minX, y: box.minY },
    { x: box.maxX, y: box.maxY },
  ];
  const up = (p: Vec): number => p.y * c - p.x * s;
  const foot = Math.min(...corners.map(up));
  return {
    at: (p) => ({ x: p.x * c + p.y * s, y: (up(p) - foot) / (height || size) }),
    height: height || size,
  };
}

const boxIn = (at: (p: Vec) => Vec, { minX, minY, maxX, maxY }: Box): Box =>
  boxOfPoints([at({ x: minX, y: minY }), at({ x: maxX, y: maxY })]);

function along(print: Print, drawn: readonly Vec[]): WordsMeant | null {
  const bounds = boxOfPoints(drawn);
  let best: { readonly line: PrintLine; readonly way: WordWay; readonly away: number } | null =
    null;
  for (const line of print.lines) {
    // Most lines of a page are far away.
    if (!boxesMeet(growBox(line.box, line.size), bounds)) continue;
    const { at, height } = frameOf(line);
    const { minX, minY, maxX, maxY } = boxOfPoints(drawn.map(at));
    if (maxY - minY > FLAT || maxX - minX < LONG * (maxY - minY) * height) continue;
    const own = boxIn(at, line.box);
    if (maxX < own.minX || minX > own.maxX) continue;
    const middle = drawn.reduce((sum, p) => sum + at(p).y, 0) / drawn.length;
    const way = within(middle, THROUGH) ? 'struck' : within(middle, BENEATH) ? 'underlined' : null;
    if (!way) continue;
    // Between two lines of print a line belongs to that whose foot is nearer.
    const away = way === 'struck' ? 0 : Math.abs(middle - FOOT);
    if (!best || away < best.away) best = { line, way, away };
  }
  if (!best) return null;
  const { line: chosen, way } = best;
  const { at } = frameOf(chosen);
  const { minX, maxX } = boxOfPoints(drawn.map(at));
  const over = print.words.filter(({ line, box }) => {
    if (print.lines[line] !== chosen) return false;
    const own = boxIn(at, box);
    return Math.min(own.maxX, maxX) - Math.max(own.minX, minX) > OVER * (own.maxX - own.minX);
  });
  return found(way, print, over);
}

function beside(print: Print, drawn: readonly Vec[]): WordsMeant | null {
  /** Lines of print beside it, by their column, and how far away the nearest of these is. */
  const columns = new Map<number, { readonly lines: Set<number>; away: number }>();
  const bounds = boxOfPoints(drawn);
  print.lines.forEach((line, k) => {
    if (!boxesMeet(growBox(line.box, INDENT), bounds)) return;
    const { at, height } = frameOf(line);
    const seen = boxOfPoints(drawn.map(at));
    const [high, wide] = [(seen.maxY - seen.minY) * height, seen.maxX - seen.minX];
    if (high < BRACKET * height || high < UPRIGHT * wide) return;
    const own = boxIn(at, line.box);
    const before = own.minX - seen.maxX;
    const after = seen.minX - own.maxX;
    const away = Math.max(before, after);
    if (away < -wide || away > INDENT) return;
    const shared = Math.min(1, seen.maxY) - Math.max(0, seen.minY);
    if (shared <= BESIDE) return;
    const column = columns.get(line.column) ?? { lines: new Set<number>(), away: Infinity };
    column.lines.add(k);
    column.away = Math.min(column.away, Math.abs(away));
    columns.set(line.column, column);
  });
  // Between two columns it belongs to the one it is nearer to.
  const [nearest] = [...columns.values()].sort((a, b) => a.away - b.away);
  if (!nearest || nearest.away > MARGIN) return null;
  return found(
    'bracketed',
    print,
    print.words.filter(({ line }) => nearest.lines.has(line)),
  );
}

const within = (value: number, [low, high]: readonly [number, number]): boolean =>
  value >= low && value < high;

/** Words as parts of the text: those that follow on each other as one. */
function found(way: WordWay, { text }: Print, words: readonly TextRange[]): WordsMeant | null {
  const ranges: TextRange[] = [];
  for (const { from, to } of words) {
    const last = ranges[ranges.length - 1];
    if (last && text.slice(last.to, from).trim() === '')
      ranges[ranges.length - 1] = { from: last.from, to };
    else ranges.push({ from, to });
  }
  return ranges.length > 0 ? { way, ranges } : null;
}
