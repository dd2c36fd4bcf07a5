import { distance, transform } from '../../geometry/index.ts';
import type { GlyphRun } from '../../type/index.ts';

/** Runs of one line that are no farther apart than so much of their size belong to one word. */
const TOGETHER = 0.25;

/** What is written in a drawing, in the order it is drawn. */
export class Words {
  private said = '';
  private before: GlyphRun | null = null;

  /** A run that does not follow on the last one along a line begins another word. */
  take(run: GlyphRun): void {
    this.said += this.before && follows(this.before, run) ? run.text : ` ${run.text}`;
    this.before = run;
  }

  add(words: string): void {
    this.said += ` ${words}`;
    this.before = null;
  }

  all(): string {
    return this.said.replace(/\s+/gu, ' ').trim();
  }
}

function follows(before: GlyphRun, run: GlyphRun): boolean {
  const end = transform(before.place, { x: before.width, y: 0 });
  return distance(end, transform(run.place, { x: 0, y: 0 })) < TOGETHER * run.size;
}
