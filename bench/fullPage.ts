import { linesOf, outlineOf } from '@marginalis/core/derived';
import { type DocState, emptyDocument, marksOn } from '@marginalis/core/document';
import { bringInInk, type IncomingInk } from '@marginalis/core/editing';
import { mapPath, plainPage, type Vec } from '@marginalis/core/geometry';
import { type InkSample, packSamples } from '@marginalis/core/ink';
import { adoptDrawn, type InkMark, writtenInk, writtenSamples } from '@marginalis/core/kinds';
import { FIRST_ROLL } from '@marginalis/core/marks';
import { wavePath, writeAlong } from '../core/testing/hand';
import { done, pageRefsFor } from '../core/testing/marks';

/** So many strokes are written; the others are these at other places. */
const WRITTEN = 200;
const PAGE = { width: 595, height: 842 };
const MARGIN = 20;

const moved = <P extends Vec>(points: readonly P[], by: Vec): P[] =>
  points.map((p) => ({ ...p, x: p.x + by.x, y: p.y + by.y }));

/**
 * A page full of small word-like strokes in rows. What is derived of them (lines, outlines) is there already, as it is
 * once they have been seen.
 */
export function fullPage(count: number): DocState {
  const first = Array.from({ length: Math.min(WRITTEN, count) }, (_, i) => written(i + 1));
  const across = Math.ceil(
    Math.sqrt((count * (PAGE.width - 2 * MARGIN)) / (PAGE.height - 2 * MARGIN)),
  );
  const down = Math.ceil(count / across);
  const places = Array.from({ length: count }, (_, i) => ({
    x: MARGIN + ((PAGE.width - 2 * MARGIN) * (i % across)) / across,
    y: MARGIN + ((PAGE.height - 2 * MARGIN) * Math.floor(i / across)) / down,
  }));
  const incoming = places.map((by, i): IncomingInk => {
    const { page, style, tool, ink } = first[i % first.length];
    return {
      page,
      style,
      tool,
      ink: { ...ink, samples: packSamples(moved(writtenSamples(ink), by)) },
    };
  });
  let n = 0;
  const empty = emptyDocument(pageRefsFor([plainPage(PAGE.width, PAGE.height)]));
  const state = done(
    empty,
    bringInInk(empty, incoming, () => `m${n++}`, 0),
  );
  [...marksOn(state, 'p0').values()].forEach((mark, i) => {
    const like = first[i % first.length];
    const [{ points, at }] = linesOf(like);
    const line = points.map((p, k) => ({ ...(p as InkSample), t: at[k] }));
    adoptDrawn(mark as InkMark, {
      centreline: packSamples(moved(line, places[i])),
      outline: mapPath(outlineOf(like), (x, y) => ({ x: x + places[i].x, y: y + places[i].y })),
    });
  });
  return state;
}

function written(seed: number): InkMark {
  return {
    kind: 'ink',
    id: `written ${seed}`,
    page: 'p0',
    order: 0,
    madeAt: 0,
    tool: 'pen',
    style: { colour: '#1f3361', width: 1, opacity: 1 },
    ink: writtenInk(
      writeAlong(wavePath({ x: 0, y: 0 }, 9, 2, 1.5), { seed, rate: 120 }),
      FIRST_ROLL[0],
    ),
  };
}
