import { alongCorners, ellipsePath, writeAlong } from '../../testing/hand.ts';
import { done, pageRefsFor, PEN } from '../../testing/marks.ts';
import { type DocState, emptyDocument, findMark } from '../document/index.ts';
import { plainPage, type Vec } from '../geometry/index.ts';
import { drawInk } from './draw.ts';
import { type FigureOffer, offerTidy } from './offerTidy.ts';
import { backToInk, tidyMarks } from './tidy.ts';

const page = pageRefsFor([plainPage(600, 800)]);
const manners = { upright: true, meet: true };

const offered = (state: DocState, id: string, tidy: 'ask' | 'always'): FigureOffer => {
  const offer = offerTidy(state, id, { ...manners, tidy });
  if (!offer) throw new Error('Nothing is offered.');
  return offer;
};
/** Strokes written one after the other, with a pause before each. */
function writing(paths: readonly (readonly Vec[])[], pause = 300): DocState {
  let state = emptyDocument(page);
  let now = 1_760_000_000_000;
  paths.forEach((path, k) => {
    const samples = writeAlong(path, { seed: k + 1 });
    now += pause + samples[samples.length - 1].t;
    const stroke = { id: `s${k}`, page: 'p0', instrument: PEN, samples, madeAt: now };
    state = done(state, drawInk(state, stroke));
  });
  return state;
}
const at = (x: number, y: number): Vec => ({ x, y });
const shaft = alongCorners([at(100, 300), at(240, 330)]);
const head = alongCorners([at(222, 344), at(240, 330), at(218, 320)]);

test('strokes written just before belong to the figure; after a pause they do not', () => {
  const arrow = offerTidy(writing([shaft, head]), 's1', { ...manners, tidy: 'ask' });
  expect(arrow).toMatchObject({ marks: ['s0', 's1'], reading: { kind: 'arrow' } });
  const apart = offerTidy(writing([shaft, head], 4000), 's1', { ...manners, tidy: 'ask' });
  expect(apart?.marks ?? ['s1']).toEqual(['s1']);
  expect(apart?.reading.kind).not.toBe('arrow');
});

test('a head turns a line that was tidied into an arrow, and all the ink comes back', () => {
  const state = writing([shaft, head]);
  const line = offered(writing([shaft]), 's0', 'always');
  expect(line.reading.kind).toBe('line');
  const tidied = done(state, tidyMarks(state, ['s0'], line.figure));
  const arrow = offered(tidied, 's1', 'always');
  expect(arrow).toMatchObject({ marks: ['s0', 's1'], reading: { kind: 'arrow' } });
  const both = done(tidied, tidyMarks(tidied, arrow.marks, arrow.figure));
  expect(findMark(both, 's0')).toBeNull();
  const back = done(both, backToInk(both, 's1'));
  for (const id of ['s0', 's1']) expect(findMark(back, id)).toEqual(findMark(state, id));
});

test('lines that join printed dots are lines, though they cross like a cross', () => {
  const first = alongCorners([at(104, 303), at(237, 418)]);
  const second = alongCorners([at(104, 417), at(236, 303)]);
  const dots = [at(100, 300), at(240, 420), at(100, 420), at(240, 300)];
  const printed = {
    dot: (place: Vec, reach: number): Vec | null =>
      dots.find((dot) => Math.hypot(dot.x - place.x, dot.y - place.y) <= reach) ?? null,
    rule: () => null,
  };
  const state = writing([first, second]);
  expect(offered(state, 's1', 'always')).toMatchObject({ reading: { kind: 'cross' } });
  const joined = offerTidy(state, 's1', { ...manners, tidy: 'always' }, undefined, printed);
  expect(joined).toMatchObject({
    marks: ['s1'],
    reading: { kind: 'line' },
    figure: { from: at(100, 420), to: at(240, 300) },
  });
  const apart = { ...manners, meet: false, tidy: 'always' } as const;
  expect(offerTidy(state, 's1', apart, undefined, printed)?.reading.kind).toBe('cross');
});

test('everyday strokes are not asked about, but taken by a pen that always tidies', () => {
  const small = writing([alongCorners([at(100, 100), at(122, 101)])]);
  expect(offerTidy(small, 's0', { ...manners, tidy: 'ask' })).toBeNull();
  expect(offerTidy(small, 's0', { ...manners, tidy: 'always' })?.reading.kind).toBe('line');
});

test('a small ring is asked about when it stands alone, and is a letter among letters', () => {
  const ring = (x: number): readonly Vec[] => ellipsePath(at(x, 300), 15, 15);
  const letter = alongCorners([at(100, 318), at(112, 284), at(118, 316), at(130, 282)]);
  const among = writing([letter, ring(152)]);
  expect(offered(writing([ring(152)]), 's0', 'ask').reading.kind).toBe('circle');
  expect(offerTidy(among, 's1', { ...manners, tidy: 'ask' })).toBeNull();
  expect(offered(among, 's1', 'always').reading.kind).toBe('circle');
  const later = writing([letter, ring(152)], 4000);
  expect(offered(later, 's1', 'ask').reading.kind).toBe('circle');
});

test('a figure meets those on the page, and not itself', () => {
  let state = writing([ellipsePath(at(300, 400), 40, 40)]);
  const ring = offered(state, 's0', 'ask');
  expect(ring.meets).toEqual([]);
  state = done(state, tidyMarks(state, ['s0'], ring.figure));
  const samples = writeAlong(alongCorners([at(120, 405), at(257, 402)]), { seed: 9 });
  const stroke = { id: 'l', page: 'p0', instrument: PEN, samples, madeAt: 1_760_000_100_000 };
  state = done(state, drawInk(state, stroke));
  const line = offerTidy(state, 'l', { ...manners, tidy: 'ask' });
  expect(line?.meets).toHaveLength(1);
  expect(offerTidy(state, 'gone', { ...manners, tidy: 'ask' })).toBeNull();
});

test('a dot beside a figure finishes no figure, and is none', () => {
  const ring = ellipsePath(at(200, 300), 50, 50);
  const dot = [at(210, 380), at(210.6, 380.4)];
  const state = writing([ring, dot]);
  for (const tidy of ['ask', 'always'] as const)
    expect(offerTidy(state, 's1', { ...manners, tidy })).toBeNull();
  expect(offered(state, 's0', 'ask').reading.kind).toBe('circle');
});
