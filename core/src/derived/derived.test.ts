import { boxHas } from '../../testing/shapes.ts';
import { alongCorners, ellipsePath, wavePath } from '../../testing/hand.ts';
import { HIGHLIGHTER, pageRefsFor, written } from '../../testing/marks.ts';
import { findMark, marksOn } from '../document/index.ts';
import { growBox, plainPage } from '../geometry/index.ts';
import type { Mark } from '../kinds/index.ts';
import { layersOf } from './layers.ts';
import type { Item } from '../drawing/index.ts';
import { boundsOf, drawingKnown, drawingOf, outlineOf } from './drawingOf.ts';
import { drawingsKnown, keepDrawings } from './drawingsKnown.ts';
import { centrelinesOf } from './lines.ts';
import { isTouched } from './touch.ts';

const pages = pageRefsFor([plainPage(600, 800)]);
const state = written(pages, [
  { page: 0, path: wavePath({ x: 100, y: 400 }, 200, 10, 3), id: 'wave' },
  {
    page: 0,
    path: alongCorners([
      { x: 100, y: 300 },
      { x: 300, y: 300 },
    ]),
    instrument: HIGHLIGHTER,
    id: 'light',
  },
  { page: 0, path: ellipsePath({ x: 400, y: 600 }, 40, 30), id: 'loop' },
  {
    page: 0,
    path: alongCorners([
      { x: 100, y: 280 },
      { x: 300, y: 280 },
    ]),
    instrument: { ...HIGHLIGHTER, colour: '#86cdf5' },
    id: 'blue',
  },
  {
    page: 0,
    path: alongCorners([
      { x: 100, y: 260 },
      { x: 300, y: 260 },
    ]),
    instrument: HIGHLIGHTER,
    id: 'light2',
  },
]);
const mark = (id: string): Mark => findMark(state, id) as Mark;

test('what is derived is kept with the mark, and made anew for a changed one', () => {
  const wave = mark('wave');
  expect(outlineOf(wave)).toBe(outlineOf(wave));
  expect(centrelinesOf(wave)).toBe(centrelinesOf(wave));
  const wide: Mark = { ...wave, style: { ...wave.style, width: 10 } };
  expect(outlineOf(wide)).not.toBe(outlineOf(wave));
  expect(boundsOf(wide).maxY).toBeGreaterThan(boundsOf(wave).maxY + 2);
});

test('another thread is given how marks are drawn as far as that was worked out, and works out the rest', () => {
  const copy = (): typeof state =>
    structuredClone({
      ...state,
      marks: new Map([...state.marks].map(([id, m]) => [id, new Map(m)])),
    });
  const [here, there] = [copy(), copy()];
  const wave = findMark(here, 'wave') as Mark;
  expect(drawingsKnown(here).size).toBe(0);
  drawingOf(wave);
  const sent = structuredClone(drawingsKnown(here));
  expect([...sent.keys()]).toEqual(['wave']);
  keepDrawings(there, sent);
  expect(drawingKnown(findMark(there, 'wave') as Mark)).toBe(sent.get('wave'));
  expect(drawingOf(findMark(there, 'wave') as Mark)).toBe(sent.get('wave'));
  expect(drawingKnown(findMark(there, 'loop') as Mark)).toBeNull();
});

test('bounds hold the whole of the ink', () => {
  const b = growBox(boundsOf(mark('wave')), 1e-9);
  const { coords } = outlineOf(mark('wave'));
  for (let i = 0; i < coords.length; i += 2)
    expect(boxHas(b, { x: coords[i], y: coords[i + 1] })).toBe(true);
});

test('changing steadiness afterwards changes the ink, and going back brings it back', () => {
  const wave = mark('wave');
  if (wave.kind !== 'ink') throw new Error('The wave is ink.');
  const steadier: Mark = { ...wave, ink: { ...wave.ink, steadiness: 100 } };
  const back: Mark = { ...wave, ink: { ...wave.ink } };
  expect([...outlineOf(steadier).coords]).not.toEqual([...outlineOf(wave).coords]);
  expect([...outlineOf(back).coords]).toEqual([...outlineOf(wave).coords]);
});

test('highlights lie beneath, grouped by ink; the rest lies over them in order', () => {
  const { beneath, over } = layersOf(marksOn(state, 'p0'));
  const whose = (item: Item): string =>
    ['light', 'light2', 'blue', 'wave', 'loop'].find(
      (id) => item.is === 'fill' && item.path === outlineOf(mark(id)),
    ) ?? 'nobody’s';
  expect(beneath.map(({ items }) => items.map(whose))).toEqual([['light', 'light2'], ['blue']]);
  expect(beneath.every(({ blend, opacity }) => blend === 'multiply' && opacity === 0.75)).toBe(
    true,
  );
  expect(over.map(whose)).toEqual(['wave', 'loop']);
});

test('the eraser touches what it passes over, as wide as the ink is', () => {
  const light = mark('light');
  const half = light.style.width / 2;
  const at = (y: number) => [{ x: 200, y }];
  expect(isTouched(light, at(300), 1)).toBe(true);
  expect(isTouched(light, at(300 + half + 0.5), 1)).toBe(true);
  expect(isTouched(light, at(300 + half + 2.5), 1)).toBe(false);
  expect(
    isTouched(
      light,
      [
        { x: 200, y: 500 },
        { x: 200, y: 100 },
      ],
      0.1,
    ),
  ).toBe(true);
  expect(isTouched(light, [], 5)).toBe(false);
});

test('the inside of a loop is not the ink', () => {
  expect(isTouched(mark('loop'), [{ x: 400, y: 600 }], 5)).toBe(false);
  expect(isTouched(mark('loop'), [{ x: 440, y: 600 }], 2)).toBe(true);
});
