import { alongCorners, ellipsePath, wavePath, writeAlong } from '../../testing/hand.ts';
import { HIGHLIGHTER, pageRefsFor, PEN } from '../../testing/marks.ts';
import { boundsOf, centrelinesOf, outlineOf } from '../derived/index.ts';
import { applyTransaction, type DocState, emptyDocument, findMark } from '../document/index.ts';
import { type Path, plainPage, type Vec } from '../geometry/index.ts';
import { type InkMark, placedSamples, toMarkRecord } from '../kinds/index.ts';
import type { WritingInstrument } from '../marks/index.ts';
import { drawInk, type Stroke } from './draw.ts';
import { drawFinished, finishStroke, strokeWork } from './finishStroke.ts';
import { offerTidy } from './offerTidy.ts';

const manners = { upright: true, meet: true, tidy: 'ask' } as const;
const page = pageRefsFor([plainPage(600, 800)]);

function stroke(path: readonly Vec[], k: number, instrument: WritingInstrument = PEN): Stroke {
  const samples = writeAlong(path, { seed: k + 1 });
  return { id: `s${k}`, page: 'p0', instrument, samples, madeAt: 1e12 + 900 * k };
}

/** As it is for a message between threads: nothing shared, nothing that cannot be copied. */
const sent = <T>(value: T): T => structuredClone(value);

function draw(state: DocState, one: Stroke, apart: boolean): DocState {
  const transaction = apart
    ? drawFinished(state, one, sent(finishStroke(sent(strokeWork(state, one)))))
    : drawInk(state, one);
  const applied = applyTransaction(state, transaction);
  if (!applied.ok) throw new Error(applied.reason);
  return applied.state;
}

const numbers = ({ verbs, coords }: Path): number[][] => [[...verbs], [...coords]];

const wave = wavePath({ x: 50, y: 500 }, 20, 8, 3);
const loop = ellipsePath({ x: 300, y: 400 }, 60, 40, 0.2);
const shaft = alongCorners([
  { x: 100, y: 300 },
  { x: 240, y: 330 },
]);
const head = alongCorners([
  { x: 222, y: 344 },
  { x: 240, y: 330 },
  { x: 218, y: 320 },
]);

test.each([
  ['writing', [stroke(wave, 0)]],
  ['a highlight', [stroke(wave, 0, HIGHLIGHTER)]],
  ['a figure', [stroke(loop, 0)]],
  ['a figure of two strokes', [stroke(shaft, 0), stroke(head, 1)]],
])('%s finished in another thread is what it would be in one', (_, strokes) => {
  const start = emptyDocument(page);
  const one = strokes.reduce((state, s) => draw(state, s, false), start);
  const two = strokes.reduce((state, s) => draw(state, s, true), start);
  for (const { id } of strokes) {
    const [a, b] = [findMark(one, id), findMark(two, id)];
    if (!a || !b) throw new Error('The stroke is not on the page.');
    expect(toMarkRecord(b)).toEqual(toMarkRecord(a));
    expect(placedSamples((b as InkMark).ink)).toEqual(placedSamples((a as InkMark).ink));
    expect(numbers(outlineOf(b))).toEqual(numbers(outlineOf(a)));
    expect(centrelinesOf(b)).toEqual(centrelinesOf(a));
    expect(boundsOf(b)).toEqual(boundsOf(a));
  }
});

test('what is found there is what would be offered', () => {
  const start = emptyDocument(page);
  const before = draw(start, stroke(shaft, 0), true);
  const last = stroke(head, 1);
  const { found } = finishStroke(strokeWork(before, last));
  const after = draw(before, last, true);
  expect(found).toMatchObject({ marks: 2, reading: { kind: 'arrow' } });
  expect(offerTidy(after, 's1', manners, found)).toEqual(offerTidy(after, 's1', manners));
  expect(offerTidy(after, 's1', manners, null)).toBeNull();
});

test('a pen that never tidies sends nothing along and finds nothing', () => {
  const never = { ...PEN, tidy: 'never' } as const;
  const before = draw(emptyDocument(page), stroke(shaft, 0), false);
  const work = strokeWork(before, stroke(loop, 1, never));
  expect(work.before).toEqual([]);
  expect(finishStroke(work).found).toBeNull();
});
