import { alongCorners, ellipsePath, wavePath, writeAlong } from '../../testing/hand.ts';
import { pageRefsFor, written } from '../../testing/marks.ts';
import { countMarks, applyTransaction, type DocState } from '../document/index.ts';
import { plainPage, type Vec } from '../geometry/index.ts';
import { lockMarks } from './restyle.ts';
import { offerScratch, takeScratch } from './offerScratch.ts';

const pages = pageRefsFor([plainPage(600, 800)]);
const word = [
  ellipsePath({ x: 105, y: 300 }, 6, 7, 0),
  wavePath({ x: 116, y: 300 }, 14, 6, 1),
  ellipsePath({ x: 140, y: 300 }, 6, 7, 0),
];
const far = wavePath({ x: 300, y: 500 }, 40, 6, 2);
/** To and fro between two sides, or up and down along. */
const scribble = (times: number, x: number, y: number, w: number, h: number): Vec[] =>
  alongCorners(
    Array.from({ length: times }, (_, i) => ({
      x: i % 2 === 0 ? x : x + w,
      y: y + (h * i) / times,
    })),
  );
const hatch = (times: number, x: number, y: number, w: number, h: number): Vec[] =>
  alongCorners(
    Array.from({ length: times }, (_, i) => ({
      x: x + (w * i) / times,
      y: i % 2 === 0 ? y : y + h,
    })),
  );

function page(last: readonly Vec[]): DocState {
  const paths = [...word, far].map((path) => ({ page: 0, path }));
  return written(pages, [...paths, { page: 0, path: last, id: 'last' }]);
}

test.each([
  ['to and fro', scribble(9, 94, 290, 56, 20)],
  ['up and down, close', hatch(18, 94, 288, 58, 24)],
])('a scribble %s over a word strikes it out, and nothing else', (_, path) => {
  const state = page(path);
  const offer = offerScratch(state, 'last');
  expect(offer?.marks).toEqual(['m0', 'm1', 'm2']);
  const taken = offer && takeScratch(state, offer);
  expect(taken?.label).toBe('Strike out 3 marks');
  const after = taken && applyTransaction(state, taken);
  if (!after?.ok) throw new Error('It is not taken.');
  expect(countMarks(after.state)).toBe(1);
});

test.each([
  ['a wave beneath a word', wavePath({ x: 94, y: 288 }, 56, 3, 6)],
  ['writing beside', scribble(9, 194, 290, 56, 20)],
  [
    'a line through a word',
    alongCorners([
      { x: 90, y: 300 },
      { x: 155, y: 302 },
    ]),
  ],
  ['a ring around it', ellipsePath({ x: 122, y: 300 }, 40, 22, 0)],
  ['letters', wavePath({ x: 94, y: 300 }, 56, 8, 4)],
  [
    'a dot',
    [
      { x: 105, y: 300 },
      { x: 105.4, y: 300 },
    ],
  ],
])('%s strikes nothing out', (_, path) => {
  expect(offerScratch(page(path), 'last')).toBeNull();
});

test('what is locked is not struck out', () => {
  const state = page(scribble(9, 94, 290, 56, 20));
  const lock = lockMarks(state, ['m0', 'm1', 'm2'], true);
  const locked = lock && applyTransaction(state, lock);
  if (!locked?.ok) throw new Error('It is not locked.');
  expect(offerScratch(locked.state, 'last')).toBeNull();
});

test('a scribble is read as one however fast or unsteady the hand is', () => {
  const path = scribble(8, 94, 288, 58, 22);
  for (let seed = 1; seed < 12; seed++) {
    const samples = writeAlong(path, { seed, rate: seed % 2 === 0 ? 60 : 240 });
    const state = page(samples);
    expect(offerScratch(state, 'last')?.marks).toEqual(['m0', 'm1', 'm2']);
  }
});
