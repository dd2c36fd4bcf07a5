import { type Box, boxCentre, uniteBoxes, type Vec } from '../geometry/index.ts';
import type { Print, PrintLine, PrintWord, TextRange } from './print.ts';
import { sentencesOf } from './sentences.ts';

/** How much farther a place is from a line in height than along it: one means the line at whose height one points. */
const ACROSS = 3;

/**
 * The place in the text nearest to a point of the page: before the unit of this number; null where nothing is printed within `reach` points.
 */
export function placeNear(print: Print, point: Vec, reach = Infinity): number | null {
  let best: PrintLine | null = null;
  let nearest = Infinity;
  for (const line of print.lines) {
    const { minX, minY, maxX, maxY } = line.box;
    const dx = Math.max(minX - point.x, 0, point.x - maxX);
    const dy = Math.max(minY - point.y, 0, point.y - maxY);
    if (Math.hypot(dx, dy) > reach) continue;
    const upright = Math.abs(Math.cos(line.angle)) > 0.7;
    const away = upright ? Math.hypot(dx, ACROSS * dy) : Math.hypot(ACROSS * dx, dy);
    if (away >= nearest) continue;
    nearest = away;
    best = line;
  }
  return best ? placeOn(print, best, point) : null;
}

/** The place between two units of a line, or at its ends, that is nearest along it. */
function placeOn({ boxes }: Print, line: PrintLine, point: Vec): number {
  const [c, s] = [Math.cos(line.angle), Math.sin(line.angle)];
  const along = (k: number): number =>
    ((boxes[4 * k] + boxes[4 * k + 2]) / 2) * c + ((boxes[4 * k + 1] + boxes[4 * k + 3]) / 2) * s;
  const u = point.x * c + point.y * s;
  let best = line.from;
  for (let k = line.from; k < line.to; k++) {
    const isSpace = boxes[4 * k + 2] === boxes[4 * k];
    if (!isSpace && Math.abs(along(k) - u) < Math.abs(along(best) - u)) best = k;
  }
  // Written from the right, what lies to the left comes after.
  const fromRight = along(line.to - 1) < along(line.from);
  return u > along(best) !== fromRight ? best + 1 : best;
}

/** So many lines of a column are no wider than it is, as a share; what is wider by this is no line of it alone. */
const MOST_LINES = 0.8;
const WIDER = 1.15;

/** The column of text at a point of the page, or the nearest to it, as a box; null where nothing is printed. */
export function columnAt(print: Print, point: Vec): Box | null {
  const place = placeNear(print, point);
  const line = place === null ? null : print.lines.find(({ to }) => to >= place);
  if (!line) return null;
  const boxes = print.lines
    .filter(({ column, running }) => column === line.column && running === line.running)
    .map(({ box }) => box);
  const width = ({ minX, maxX }: Box): number => maxX - minX;
  const widths = boxes.map(width).sort((a, b) => a - b);
  // A heading over several columns begins the first of them, but does not make it wider.
  const usual = widths[Math.floor(MOST_LINES * (widths.length - 1))];
  return boxes.filter((box) => width(box) <= WIDER * usual).reduce(uniteBoxes);
}

/** The first word of the text that is seen, heads and feet of the page apart; the first of all where none is; null without print. */
export function firstWordSeen(
  { words, lines }: Print,
  isSeen: (middle: Vec) => boolean,
): PrintWord | null {
  const seen = words.find(({ box, line }) => !lines[line].running && isSeen(boxCentre(box)));
  return seen ?? words[0] ?? null;
}

/** The word that a place in the text is in or beside; null where there is no print. */
export function wordAround({ words }: Print, place: number): TextRange | null {
  let best: TextRange | null = null;
  for (const word of words) {
    if (word.from > place && best) break;
    best = word;
    if (place < word.to) break;
  }
  return best && { from: best.from, to: best.to };
}

/** The part of the text from one place to another, whichever comes first, out to whole words. */
export function wordsBetween(print: Print, a: number, b: number): TextRange {
  const [from, to] = [Math.min(a, b), Math.max(a, b)];
  const inside = print.words.filter((word) => word.from < to && word.to > from);
  if (inside.length === 0) return wordAround(print, from) ?? { from, to };
  return { from: inside[0].from, to: inside[inside.length - 1].to };
}

/** The sentence around a place in the text, within its paragraph. */
export function sentenceAround(print: Print, place: number): TextRange | null {
  const word = wordAround(print, place);
  if (!word) return null;
  const sentence = sentencesOf(print).find(({ from, to }) => word.from >= from && word.from < to);
  return sentence ? { from: sentence.from, to: sentence.to } : word;
}
