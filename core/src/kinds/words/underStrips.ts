import {
  boxesMeet,
  boxOfPoints,
  dot,
  inPolygon,
  subtract,
  type Vec,
} from '../../geometry/index.ts';
import { aroundQuad, type Print, type Quad, quoteOf, type TextRange } from '../../print/index.ts';
import type { MarkedWord, Strip, WordsMark } from './mark.ts';

/**
 * A mark that was drawn over print, as one that knows its words: those whose letters lie in its strips with their middle. A strip over none stays
 * an area.
 */
export function withWordsOf(mark: WordsMark, print: Print): WordsMark {
  const found = mark.strips.map((strip) => ({ strip, range: rangeIn(strip.quad, print) }));
  const ranges = found.flatMap(({ range }) => (range ? [range] : []));
  if (ranges.length === 0) return mark;
  const whole = {
    from: Math.min(...ranges.map(({ from }) => from)),
    to: Math.max(...ranges.map(({ to }) => to)),
  };
  const { before, after } = quoteOf(print, whole);
  return {
    ...mark,
    before,
    after,
    strips: found.map(({ strip, range }) =>
      range ? stripOver(strip.quad, range, print, range.to < whole.to) : strip,
    ),
  };
}

/** From the first letter within to the last of the same line; null where none is. */
function rangeIn(quad: Quad, print: Print): TextRange | null {
  const around = aroundQuad(quad);
  const box = boxOfPoints(around);
  let best: TextRange | null = null;
  for (const line of print.lines) {
    if (!boxesMeet(line.box, box)) continue;
    let [from, to] = [-1, -1];
    for (let k = line.from; k < line.to; k++) {
      const [minX, minY, maxX, maxY] = print.boxes.subarray(4 * k, 4 * k + 4);
      if (!(maxX > minX)) continue;
      if (!inPolygon(around, { x: (minX + maxX) / 2, y: (minY + maxY) / 2 })) continue;
      if (from < 0) from = k;
      to = k + 1;
    }
    if (from >= 0 && (!best || to - from > best.to - best.from)) best = { from, to };
  }
  return best;
}

function stripOver(quad: Quad, range: TextRange, print: Print, goesOn: boolean): Strip {
  const words = print.words
    .filter((word) => word.from < range.to && word.to > range.from)
    .map((word): MarkedWord => {
      const [from, to] = [Math.max(word.from, range.from), Math.min(word.to, range.to)];
      const [start, end] = shareOf(quad, print, from, to);
      return { text: print.text.slice(from, to), from: start, to: end };
    });
  const line = print.lines.find((one) => one.from <= range.from && one.to >= range.to);
  const joins = goesOn && line?.breaks && range.to === line.to;
  return joins ? { quad, words, joins } : { quad, words };
}

/** Where letters lie along a strip, in shares of its length. */
function shareOf(
  [, , foot, footEnd]: Quad,
  print: Print,
  from: number,
  to: number,
): [number, number] {
  const along = subtract(footEnd, foot);
  const long = dot(along, along) || 1;
  let [start, end] = [1, 0];
  const reach = (p: Vec): void => {
    const share = Math.min(1, Math.max(0, dot(subtract(p, foot), along) / long));
    start = Math.min(start, share);
    end = Math.max(end, share);
  };
  for (let k = from; k < to; k++) {
    const [minX, minY, maxX, maxY] = print.boxes.subarray(4 * k, 4 * k + 4);
    for (const x of [minX, maxX]) for (const y of [minY, maxY]) reach({ x, y });
  }
  return [Math.min(start, end), end];
}
