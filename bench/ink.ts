import {
  centrelineOf,
  createLiveInk,
  type InkSample,
  outlineInk,
  smoothInk,
} from '@marginalis/core/ink';
import { getStroke } from 'perfect-freehand';
import { wavePath, writeAlong } from '../core/testing/hand';
import { inTurn, type Row, timed } from './report';

const NIB = { width: 1.4, thinning: 0.5 };
const BATCH = 200;
const ENOUGH = 2300;

/** Several lines of writing without lifting the pen. */
function longStroke(): InkSample[] {
  const ink: InkSample[] = [];
  for (let line = 0; ink.length < ENOUGH; line++) {
    const start = (ink.at(-1)?.t ?? -4) + 4;
    const path = wavePath({ x: 40, y: 700 - 30 * line }, 450, 9, 14);
    for (const s of writeAlong(path, { rate: 240, seed: line + 1 }))
      ink.push({ ...s, t: s.t + start });
  }
  return ink;
}

/**
 * One pen event late in a long stroke: what the application does for it (smooth, then outline what is not
 * settled yet) against redoing the whole stroke with the reference library.
 */
export async function benchInk(): Promise<Row[]> {
  const rows: Row[] = [];
  const ink = longStroke();
  for (const at of [200, 2000]) {
    const before = ink.slice(0, at);
    const next = ink.slice(at, at + BATCH);
    const ours = async (): Promise<number> => {
      const live = createLiveInk(40);
      for (const s of before) live.push(s);
      let drawn = live.settledCount();
      const ms = await timed(() => {
        for (const s of next) {
          live.push(s);
          const count = live.settledCount();
          if (count > drawn)
            outlineInk(centrelineOf(live.settledFrom(Math.max(0, drawn - 3)), false), NIB);
          outlineInk(
            centrelineOf([...live.settledFrom(Math.max(0, count - 3)), ...live.tail()], false),
            NIB,
          );
          drawn = count;
        }
      });
      return ms / BATCH;
    };
    const points = (samples: readonly InkSample[]): number[][] =>
      samples.map((s) => [s.x, s.y, s.pressure]);
    const all = points(ink.slice(0, at + BATCH));
    const theirs = async (): Promise<number> => {
      const ms = await timed(() => {
        for (let i = 0; i < BATCH; i += 10)
          getStroke(all.slice(0, at + i), { size: 1.4, simulatePressure: false });
      });
      return ms / (BATCH / 10);
    };
    const again = async (): Promise<number> => {
      const ms = await timed(() => {
        for (let i = 0; i < BATCH; i += 50)
          outlineInk(centrelineOf(smoothInk(ink.slice(0, at + i), 40)), NIB);
      });
      return ms / (BATCH / 50);
    };
    const what = `a pen event at the ${at.toLocaleString('en')}th sample`;
    for (const [reference, whole] of [
      ['perfect-freehand, the whole stroke again', theirs],
      ['ours, the whole stroke smoothed and outlined again', again],
    ] as const) {
      const { ours: a, theirs: b } = await inTurn(9, ours, whole);
      rows.push({ what, reference, ours: a, theirs: b });
    }
  }
  return rows;
}
