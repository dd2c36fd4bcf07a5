import { marksMeeting, outlineOf } from '@marginalis/core/derived';
import { applyTransaction, marksOn } from '@marginalis/core/document';
import { marksAt, marksWithin, startRubbing } from '@marginalis/core/editing';
import { boxOfPoints, growBox, type Vec } from '@marginalis/core/geometry';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { seededRandom } from '../core/testing/seededRandom';
import { fullPage } from './fullPage';
import { quantile } from './report';

/** What rubbing and picking cost on a full page: the computation for one frame, without the browser's painting. */

const COUNTS = [5000, 20_000];
/** Samples of a 240 Hz stylus in a frame of 60 Hz. */
const SAMPLES = 4;
const FRAMES = 400;
const RADIUS = 5.7;
const PICKS = 400;
/** Pages that the first question is asked about. */
const FIRSTS = 7;

// The garbage of making a page is not that of asking about it.
setFlagsFromString('--expose-gc');
const collectGarbage = runInNewContext('gc') as () => void;

const at = (times: readonly number[], share: number): string =>
  `${quantile(times, share).toFixed(2)} ms`;
const timed = (act: () => void): number => {
  const began = performance.now();
  act();
  return performance.now() - began;
};

/** A hand that wanders over the page, in frames. */
function sweeps(): Vec[][] {
  const place = (t: number): Vec => ({
    x: 300 + 250 * Math.sin(t / 37),
    y: 420 + 330 * Math.sin(t / 53 + 1) + 20 * Math.sin(t / 5),
  });
  return Array.from({ length: FRAMES }, (_, f) =>
    Array.from({ length: SAMPLES + 1 }, (__, k) => place(f + k / SAMPLES)),
  );
}

/** What builds the index of a page nobody has asked about. */
function firstQuestion(count: number): number {
  const state = fullPage(count);
  collectGarbage();
  return timed(() => marksAt(state, 'p0', { x: 300, y: 400 }, 8));
}

export function rubbingTable(): string {
  const lines = [
    '| strokes on the page | what | median | 99th percentile |',
    '|---:|---|---:|---:|',
  ];
  for (const count of COUNTS) {
    const state = fullPage(count);
    const row = (what: string, times: readonly number[]): void => {
      lines.push(
        `| ${count.toLocaleString('en')} | ${what} | ${at(times, 0.5)} | ${at(times, 0.99)} |`,
      );
    };
    const firsts = Array.from({ length: FIRSTS }, () => firstQuestion(count));
    lines.push(
      `| ${count.toLocaleString('en')} | the first question (building the index) | ${quantile(firsts, 0.5).toFixed(1)} ms | |`,
    );
    for (const takes of ['part', 'whole'] as const) {
      const rubOver = (): number[] => {
        const rubbing = startRubbing(state, 'p0', RADIUS, {
          takes,
          only: 'everything',
          colour: '',
        });
        let draft = state;
        return sweeps().map((sweep) =>
          timed(() => {
            // What a frame costs: the sweep, the page as it would be, and the outlines of what is painted anew.
            const changes = rubbing.along(sweep);
            if (changes.length === 0 || takes === 'whole') return;
            const applied = applyTransaction(draft, { label: '', changes });
            if (!applied.ok) throw new Error(applied.reason);
            draft = applied.state;
            const around = growBox(boxOfPoints(sweep), 2 * RADIUS);
            for (const mark of marksMeeting(marksOn(draft, 'p0'), around)) outlineOf(mark);
          }),
        );
      };
      // Once before, so that the engine has made the code fast, as it is after the first second of rubbing.
      rubOver();
      row(`a frame of rubbing, ${takes === 'part' ? 'parts' : 'whole marks'}`, rubOver());
    }
    const random = seededRandom(5);
    const place = (): Vec => ({ x: 20 + 555 * random(), y: 20 + 800 * random() });
    const taps = Array.from({ length: PICKS }, place);
    row(
      'a tap',
      taps.map((p) => timed(() => marksAt(state, 'p0', p, 8))),
    );
    const lassos = Array.from({ length: 40 }, () => {
      const middle = place();
      return Array.from({ length: 60 }, (_, k): Vec => ({
        x: middle.x + 60 * Math.cos(k / 9.5),
        y: middle.y + 40 * Math.sin(k / 9.5),
      }));
    });
    row(
      'a lasso of 120 × 80 pt',
      lassos.map((lasso) => timed(() => marksWithin(state, 'p0', lasso))),
    );
  }
  return lines.join('\n');
}
