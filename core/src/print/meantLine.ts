import type { Vec } from '../geometry/index.ts';
import type { AnswerLine } from './answerLines.ts';

/** A tap so far above a line still means it, where that much is free, points. */
const ABOVE = 24;
/** Lines of one answer are no nearer to each other, and at one distance within this, points. */
const NEAREST = 8.5;
const EVEN = 1;

/** The line that is meant by a place: on it, or in its room; null where none is. */
export function answerLineAt(
  lines: readonly AnswerLine[],
  { x, y }: Vec,
  reach: number,
): AnswerLine | null {
  let best: AnswerLine | null = null;
  let nearest = Infinity;
  for (const line of lines) {
    if (x < line.from - reach || x > line.to + reach) continue;
    if (y > line.y + reach || y < line.y - Math.min(line.room, ABOVE)) continue;
    const away = Math.abs(line.y - y);
    if (away < nearest) [best, nearest] = [line, away];
  }
  return best;
}

/** Lines that stand at one distance below each other are one answer's: this one and those that follow it, from the top down. */
export function linesAfter(lines: readonly AnswerLine[], first: AnswerLine): AnswerLine[] {
  const run = [first];
  if (first.cell || first.alone) return run;
  let pitch = 0;
  for (;;) {
    const last = run[run.length - 1];
    const next = lines.find(
      (line) =>
        !line.cell &&
        !line.alone &&
        line.y > last.y + NEAREST &&
        Math.min(line.to, last.to) - Math.max(line.from, last.from) > (last.to - last.from) / 2,
    );
    if (!next) return run;
    const step = next.y - last.y;
    // Something printed between the two, or another distance: another answer.
    if (Math.abs(step - next.room) > EVEN || (pitch > 0 && Math.abs(step - pitch) > EVEN))
      return run;
    pitch = step;
    run.push(next);
  }
}
