import fc from 'fast-check';
import { done, markOf, pageRefsFor } from '../../testing/marks.ts';
import {
  applyTransaction,
  type DocState,
  emptyDocument,
  invertTransaction,
} from '../document/index.ts';
import type { Figure } from '../figures/index.ts';
import { distance, inPolygon, moveBy, plainPage, type Vec } from '../geometry/index.ts';
import { asFigure, fromMarkRecord, toMarkRecord } from '../kinds/index.ts';
import { FIRST_ROLL } from '../marks/index.ts';
import { retyped } from '../type/spans.ts';
import { carryMarks } from './carry.ts';
import { duplicateMarks } from './clip.ts';
import { removeMarks } from './erase.ts';
import { changeFigure, drawFigure } from './figures.ts';
import { keepTies } from './keepTies.ts';
import { edgeOf } from './ties.ts';
import { emptyText, keepText } from './typing.ts';

const PAGES = pageRefsFor([plainPage(600, 800)]);
const STYLE = { colour: '#1b2a4a', width: 1, opacity: 1 };

function withBox(state: DocState, id: string, at: Vec): DocState {
  const empty = emptyText(state, {
    id,
    page: 'p0',
    instrument: { ...FIRST_ROLL[10], padding: 4 },
    at,
    angle: 0,
    width: 92,
    madeAt: 1,
  });
  const spans = retyped(empty.block.spans, id);
  return done(state, keepText(null, { ...empty, height: 42, block: { ...empty.block, spans } }));
}
const draw = (state: DocState, id: string, figure: Figure): DocState =>
  done(
    state,
    keepTies(state, drawFigure(state, { id, page: 'p0', figure, style: STYLE, madeAt: 2 })),
  );
const arrow = (from: Vec, to: Vec): Figure => ({ kind: 'arrow', from, to, head: 7 });
const ring: Figure = { kind: 'circle', centre: { x: 450, y: 300 }, radius: 40 };

/** A box at the left, 100 wide and 50 high, a ring at the right, and an arrow from one to the other. */
function tied(): DocState {
  const state = draw(withBox(emptyDocument(PAGES), 'box', { x: 100, y: 325 }), 'ring', ring);
  return draw(state, 'arrow', arrow({ x: 170, y: 300 }, { x: 440, y: 300 }));
}
function lineOf(state: DocState, id = 'arrow') {
  const mark = asFigure(markOf(state, id));
  if (mark?.figure.kind !== 'arrow') throw new Error('There is no arrow.');
  return { ...mark.figure, ties: mark.ties };
}
const move = (state: DocState, ids: readonly string[], by: Vec): DocState => {
  const moved = carryMarks(state, ids, moveBy(by), 'Move');
  return done(state, moved && keepTies(state, moved));
};

test('an arrow from a box to a figure ends on their edges, and follows each of them', () => {
  const state = tied();
  expect(lineOf(state).from).toEqual({ x: 200, y: 300 });
  expect(lineOf(state).to.x).toBeCloseTo(410, 0);
  const lower = move(state, ['box'], { x: 0, y: -200 });
  const { from, to } = lineOf(lower);
  expect(from.y).toBeLessThan(126);
  expect(distance(to, ring.kind === 'circle' ? ring.centre : to)).toBeCloseTo(40, 0);
  const beyond = lineOf(move(state, ['ring'], { x: -420, y: 0 }));
  expect(beyond.from.x).toBeCloseTo(100, 1);
  expect(beyond.to.x).toBeCloseTo(70, 0);
});

test('where boxes move, its ends stay on their edges and never go through them', () => {
  const by = fc.record({
    x: fc.double({ min: -80, max: 90, noNaN: true }),
    y: fc.double({ min: -250, max: 250, noNaN: true }),
  });
  fc.assert(
    fc.property(by, by, (a, b) => {
      const state = move(move(tied(), ['box'], a), ['ring'], b);
      const { from, to } = lineOf(state);
      for (const [id, end] of [
        ['box', from],
        ['ring', to],
      ] as const) {
        const edge = edgeOf(markOf(state, id)) ?? [];
        for (const share of [0.02, 0.3, 0.6]) {
          const other = end === from ? to : from;
          const at = { x: end.x + share * (other.x - end.x), y: end.y + share * (other.y - end.y) };
          if (distance(at, end) > 0.5) expect(inPolygon(edge, at)).toBe(false);
        }
      }
    }),
  );
});

test('moved with both it keeps its place between them; led elsewhere, or where a mark goes, it is free', () => {
  const state = tied();
  const together = lineOf(move(state, ['box', 'ring', 'arrow'], { x: 10, y: 20 }));
  expect(together.from).toEqual({ x: 210, y: 320 });
  expect(together.ties).toBeDefined();
  expect(lineOf(move(state, ['arrow'], { x: 0, y: -150 })).ties).toBeUndefined();
  const led = changeFigure(state, 'arrow', {
    figure: arrow({ x: 200, y: 300 }, { x: 300, y: 500 }),
  });
  expect(lineOf(done(state, led && keepTies(state, led))).ties).toBeUndefined();
  const gone = removeMarks(state, ['ring']);
  const free = done(state, gone && keepTies(state, gone));
  expect(lineOf(free)).toEqual({ ...lineOf(state), ties: undefined });
  expect(lineOf(move(free, ['box'], { x: 5, y: 5 })).from).toEqual({ x: 200, y: 300 });
});

test('a copy of all three is tied among itself; one step back undoes what followed', () => {
  const state = tied();
  let n = 0;
  const twice = duplicateMarks(state, ['box', 'ring', 'arrow'], { x: 0, y: -200 }, () => `c${n++}`);
  const whole = twice && keepTies(state, twice);
  const copied = done(state, whole);
  const ties = ['c0', 'c1', 'c2'].flatMap((id) => asFigure(markOf(copied, id))?.ties ?? []);
  expect(ties).toHaveLength(1);
  expect([ties[0].from.mark, ties[0].to.mark].every((id) => /^c/.test(id))).toBe(true);
  const carried = carryMarks(state, ['box'], moveBy({ x: 0, y: 50 }), 'Move');
  const moved = carried && keepTies(state, carried);
  const back = applyTransaction(
    done(state, moved),
    invertTransaction(moved ?? { label: '', changes: [] }),
  );
  expect(back.ok && lineOf(back.state)).toEqual(lineOf(state));
});

test('lines that end on one mark, on none, or where nothing is to be tied are free; others are left alone', () => {
  const state = draw(withBox(emptyDocument(PAGES), 'box', { x: 100, y: 325 }), 'ring', ring);
  const within = draw(state, 'arrow', arrow({ x: 110, y: 290 }, { x: 190, y: 310 }));
  expect(lineOf(within).ties).toBeUndefined();
  const one = draw(state, 'arrow', arrow({ x: 170, y: 300 }, { x: 300, y: 300 }));
  expect(lineOf(one).ties).toBeUndefined();
  const drawn = drawFigure(state, {
    id: 'arrow',
    page: 'p0',
    figure: arrow({ x: 170, y: 300 }, { x: 440, y: 300 }),
    style: STYLE,
    madeAt: 2,
  });
  expect(keepTies(state, drawn, false)).toBe(drawn);
  const carried = carryMarks(tied(), ['arrow'], moveBy({ x: 0, y: 0 }), 'Move');
  expect(carried && keepTies(tied(), carried)).toBe(carried);
});

test('a tied line is stored with its ties; damaged ones are refused', () => {
  const mark = markOf(tied(), 'arrow');
  const record = JSON.parse(JSON.stringify(toMarkRecord(mark))) as Record<string, unknown>;
  expect(fromMarkRecord(record)).toEqual(mark);
  expect(() => fromMarkRecord({ ...record, ties: { from: { mark: 'box' } } })).toThrow();
});
