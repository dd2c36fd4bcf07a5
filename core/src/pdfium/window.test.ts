import { box } from '../geometry/index.ts';
import { wholePage, windowOnto } from './window.ts';

const SIZE = { width: 300, height: 400 };

test('a window onto an area has every pixel that it touches, and the page lies around it', () => {
  expect(windowOnto(SIZE, box(10.2, 20, 30.1, 50), 144)).toEqual({
    ...{ width: 41, height: 60, turn: 0 },
    page: { x: -20, y: -40, width: 600, height: 800 },
  });
});

test('without an area it shows the whole page; at the edge of a page it ends with it', () => {
  expect(windowOnto(SIZE, null, 72)).toEqual(wholePage(300, 400));
  expect(windowOnto(SIZE, box(290, 390, 300, 400), 100)).toMatchObject({ width: 15, height: 15 });
  expect(windowOnto({ width: 0.2, height: 0.2 }, null, 72)).toEqual(wholePage(1, 1));
});
