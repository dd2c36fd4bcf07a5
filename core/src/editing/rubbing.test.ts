import { distanceToPolyline } from '../../testing/shapes.ts';
import fc from 'fast-check';
import { alongCorners, wavePath, writeAlong } from '../../testing/hand.ts';
import { done, HIGHLIGHTER, markOf, pageRefsFor, PEN } from '../../testing/marks.ts';
import { centrelinesOf, outlineOf, reachOf as reachIn, wholeLines } from '../derived/index.ts';
import {
  type DocState,
  emptyDocument,
  findMark,
  inOrder,
  invertTransaction,
  marksOn,
  markChange,
  markChangesIn,
} from '../document/index.ts';
import { plainPage, polylineLength, type Vec } from '../geometry/index.ts';
import { type Mark } from '../kinds/index.ts';
import { type EraserManner, INSTRUMENTS, writes, type MarkId } from '../marks/index.ts';
import { drawInk } from './draw.ts';
import { drawFigure } from './figures.ts';
import { steadyInk } from './restyle.ts';
import { startRubbing } from './rubbing.ts';
import { isInPieces, takeApart } from './takeApart.ts';

const PART: EraserManner = { takes: 'part', only: 'everything', colour: '#ffffff' };
const WHOLE: EraserManner = { ...PART, takes: 'whole' };
const BRUSH = INSTRUMENTS.filter(writes).find((i) => i.kind === 'brush') ?? PEN;

const stroke = (path: readonly Vec[], id: string, instrument = PEN, seed = 1) => ({
  id,
  page: 'p0',
  instrument,
  samples: writeAlong(path, { seed, rate: 60 }),
  madeAt: 0,
});
const style = { colour: '#0f7566', width: 1.4, opacity: 1 };

/** A page with writing, a highlight, a brush stroke and two figures. */
function page(): DocState {
  let state = emptyDocument(pageRefsFor([plainPage(400, 300)]));
  const level = (y: number) =>
    alongCorners([
      { x: 40, y },
      { x: 220, y: y + 4 },
    ]);
  state = done(state, drawInk(state, stroke(wavePath({ x: 40, y: 80 }, 160, 9, 4), 'wave')));
  state = done(state, drawInk(state, stroke(level(60), 'light', HIGHLIGHTER, 2)));
  state = done(state, drawInk(state, stroke(level(120), 'brush', BRUSH, 3)));
  const circle = { kind: 'circle', centre: { x: 120, y: 90 }, radius: 50 } as const;
  const arrow = {
    kind: 'arrow',
    from: { x: 40, y: 150 },
    to: { x: 200, y: 140 },
    head: 11,
    tail: 0,
  } as const;
  state = done(
    state,
    drawFigure(state, { id: 'circle', page: 'p0', figure: circle, style, madeAt: 0 }),
  );
  return done(
    state,
    drawFigure(state, { id: 'arrow', page: 'p0', figure: arrow, style, madeAt: 0 }),
  );
}
const full = page();

const place = fc.record({
  x: fc.double({ min: 30, max: 230, noNaN: true }),
  y: fc.double({ min: 40, max: 170, noNaN: true }),
});
const sweeps = fc.array(place, { minLength: 1, maxLength: 5 });
const radii = fc.double({ min: 1, max: 14, noNaN: true });

function rub(state: DocState, sweep: readonly Vec[], radius: number, manner: EraserManner) {
  const rubbing = startRubbing(state, 'p0', radius, manner);
  // As the pointer's events bring it, a piece at a time.
  sweep.forEach((p, i) => rubbing.along(i === 0 ? [p] : [sweep[i - 1], p]));
  return rubbing.done();
}

/** How far a mark's ink reaches to the sides of each point of its lines. */
const reachOf = (mark: Mark, p: Vec): number => reachIn(mark)(p);
const pointsOf = (mark: Mark): readonly Vec[] => centrelinesOf(mark).flat();

test('no ink is left under the rubber, what is farther away is left but for crumbs, and undo brings all back', () => {
  fc.assert(
    fc.property(sweeps, radii, (sweep, radius) => {
      const transaction = rub(full, sweep, radius, PART);
      if (!transaction) return;
      const state = done(full, transaction);
      for (const { id, before, after } of markChangesIn(transaction)) {
        if (!before) throw new Error('Rubbing makes no mark.');
        for (const p of after ? pointsOf(after) : [])
          expect(distanceToPolyline(p, sweep)).toBeGreaterThan(radius + reachOf(before, p) - 0.05);
        const lines = after ? centrelinesOf(after) : [];
        const isKept = (p: Vec): boolean =>
          lines.some((line) => distanceToPolyline(p, line) < 1e-6);
        const lost = pointsOf(before).filter(
          (p) => distanceToPolyline(p, sweep) > radius + reachOf(before, p) + 0.05 && !isKept(p),
        );
        // Crumbs are shorter than the line is wide.
        for (const p of lost)
          expect(distanceToPolyline(p, sweep)).toBeLessThan(
            radius + reachOf(before, p) + before.style.width + 0.05,
          );
        expect(findMark(state, id)).toEqual(after);
      }
      const back = done(state, invertTransaction(transaction));
      expect(inOrder(marksOn(back, 'p0'))).toEqual(inOrder(marksOn(full, 'p0')));
    }),
    { numRuns: 60 },
  );
});

test('rubbing the same place twice changes nothing', () => {
  fc.assert(
    fc.property(sweeps, radii, (sweep, radius) => {
      const transaction = rub(full, sweep, radius, PART);
      if (transaction) expect(rub(done(full, transaction), sweep, radius, PART)).toBeNull();
    }),
    { numRuns: 60 },
  );
});

test('what is left looks as it did, right up to the cut, and stays one mark whose steadiness can change', () => {
  const cut = done(
    full,
    rub(
      full,
      [
        { x: 120, y: 40 },
        { x: 120, y: 170 },
      ],
      6,
      PART,
    ),
  );
  for (const id of ['wave', 'light', 'brush', 'circle', 'arrow']) {
    const [before, after] = [markOf(full, id), markOf(cut, id)];
    expect(after.left?.length).toBeGreaterThanOrEqual(2);
    const { coords } = outlineOf(before);
    const rim = outlineOf(after).coords;
    let off = 0;
    for (let i = 0; i < rim.length; i += 2) {
      const p = { x: rim[i], y: rim[i + 1] };
      // The round ends of the cut are new; the rest of the rim lies on the old one.
      if (Math.abs(p.x - 120) < 6 + 2 * before.style.width + 2) continue;
      const ring: Vec[] = [];
      for (let k = 0; k < coords.length; k += 2) ring.push({ x: coords[k], y: coords[k + 1] });
      off = Math.max(off, distanceToPolyline(p, [...ring, ring[0]]));
    }
    expect(off).toBeLessThan(0.05);
  }
  const calm = done(cut, steadyInk(cut, ['wave'], 100));
  expect(centrelinesOf(markOf(calm, 'wave'))).toHaveLength(2);
  const back = done(calm, steadyInk(calm, ['wave'], PEN.steadiness));
  expect(centrelinesOf(markOf(back, 'wave'))).toEqual(centrelinesOf(markOf(cut, 'wave')));
});

test('a broken line stays broken where it was', () => {
  const line = { kind: 'line', from: { x: 0, y: 0 }, to: { x: 200, y: 0 } } as const;
  const start = emptyDocument(pageRefsFor([plainPage(400, 300)]));
  const drawn = done(
    start,
    drawFigure(start, { id: 'l', page: 'p0', figure: line, style, madeAt: 0 }),
  );
  const mark = { ...markOf(drawn, 'l'), dash: 'dashed' } as Mark;
  const left = { ...mark, left: [{ line: 0, from: 0.5, to: 1 }] };
  const starts = (m: Mark): number[] => {
    const { verbs, coords } = outlineOf(m);
    return [...verbs].flatMap((v, i) => (v === 0 ? [Math.round(coords[2 * i] * 10) / 10] : []));
  };
  const after = (m: Mark): number[] => starts(m).filter((x) => x > 106);
  // Rings end in Z, which takes no coordinates, so starts are only compared with each other.
  expect(after(left).length).toBeGreaterThan(5);
  expect(polylineLength(centrelinesOf(left)[0])).toBeCloseTo(100);
});

test('the rubber takes only what it is for', () => {
  const across = [
    { x: 120, y: 30 },
    { x: 120, y: 170 },
  ];
  const taken = (manner: Partial<EraserManner>): MarkId[] =>
    (rub(full, across, 4, { ...WHOLE, ...manner })?.changes ?? []).map(({ id }) => id).sort();
  expect(taken({})).toEqual(['arrow', 'brush', 'circle', 'light', 'wave']);
  expect(taken({ only: 'pen' })).toEqual(['brush', 'wave']);
  expect(taken({ only: 'highlighter' })).toEqual(['light']);
  expect(taken({ only: 'figures' })).toEqual(['arrow', 'circle']);
  expect(taken({ only: 'ink', colour: PEN.colour })).toEqual(['wave']);
  const locked = done(full, {
    label: 'Lock',
    changes: [markChange(markOf(full, 'wave'), { ...markOf(full, 'wave'), locked: true })],
  });
  expect(rub(locked, across, 4, { ...WHOLE, only: 'pen' })?.changes.map(({ id }) => id)).toEqual([
    'brush',
  ]);
});

test('pieces are one mark until they are taken apart; then each is one, and all look as they did', () => {
  const down = [
    { x: 120, y: 20 },
    { x: 120, y: 180 },
  ];
  const cut = done(full, rub(full, down, 4, PART));
  expect(takeApart(full, ['wave', 'arrow', 'circle'], () => 'none')).toBeNull();
  let n = 0;
  const transaction = takeApart(cut, ['wave', 'circle', 'arrow'], () => `piece-${++n}`);
  const apart = done(cut, transaction);
  for (const id of ['wave', 'circle', 'arrow']) {
    const pieces = inOrder(marksOn(apart, 'p0')).filter(
      (mark) => Math.floor(mark.order) === markOf(cut, id).order,
    );
    expect(pieces.length).toBe(markOf(cut, id).left?.length);
    expect(pieces.length).toBeGreaterThan(1);
    expect(pieces.flatMap((mark) => centrelinesOf(mark))).toEqual(centrelinesOf(markOf(cut, id)));
    expect(pieces.every((mark) => !isInPieces(mark))).toBe(true);
  }
  const back = done(apart, transaction && invertTransaction(transaction));
  expect(inOrder(marksOn(back, 'p0'))).toEqual(inOrder(marksOn(cut, 'p0')));
});

test('a filled figure is taken by its inside; a dot goes whole', () => {
  const circle = markOf(full, 'circle');
  const filled = done(full, {
    label: 'Fill',
    changes: [markChange(circle, { ...circle, fill: { colour: '#0f7566', opacity: 0.3 } } as Mark)],
  });
  const inside = [{ x: 130, y: 100 }];
  const only = { ...WHOLE, only: 'figures' } as const;
  expect(rub(full, inside, 3, only)).toBeNull();
  expect(rub(filled, inside, 3, only)?.changes).toHaveLength(1);
  const dot = {
    ...stroke(wavePath({ x: 300, y: 200 }, 1, 1, 1), 'dot'),
    samples: [{ x: 300, y: 200, t: 0, pressure: 0.5 }],
  };
  const dotted = done(full, drawInk(full, dot));
  expect(rub(dotted, [{ x: 300, y: 203 }], 3, PART)?.changes[0].after).toBeNull();
  expect(wholeLines(markOf(dotted, 'dot'))[0].points).toHaveLength(1);
});
