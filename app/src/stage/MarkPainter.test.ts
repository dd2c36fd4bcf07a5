import type { DocState } from '@marginalis/core/document';
import { marksOn } from '@marginalis/core/document';
import { removeMarks } from '@marginalis/core/editing';
import { box, plainPage } from '@marginalis/core/geometry';
import { alongCorners } from '../../../core/testing/hand';
import { done, HIGHLIGHTER, pageRefsFor, written } from '../../../core/testing/marks';
import { installFakeCanvases, type Noted } from '../testing/fakeCanvas';
import { LoadedFonts } from './LoadedFonts';
import { MarkPainter } from './MarkPainter';
import { PagePicture } from './pagePicture';

let asked: (holder: Element) => Noted[];
let light: HTMLElement;
let ink: HTMLElement;
let painter: MarkPainter;
beforeEach(() => {
  asked = installFakeCanvases();
  light = document.createElement('div');
  ink = document.createElement('div');
  painter = new MarkPainter(
    { light, ink },
    new LoadedFonts(() => Promise.reject(new Error('Not asked here.'))),
  );
});

const PAGE = plainPage(600, 800);
const pages = pageRefsFor([PAGE]);
const NONE: ReadonlySet<string> = new Set();
/** The whole page at one pixel a point. */
const picture = new PagePicture(PAGE, 1);
const WHOLE = box(0, 0, 600, 800);
const bar = (y: number) =>
  alongCorners([
    { x: 40, y },
    { x: 110, y },
  ]);
const said = (holder: Element): string[] => asked(holder).flatMap((n) => n.said);
const fills = (holder: Element): string[] => said(holder).filter((s) => s.startsWith('fill'));
const on = (state: DocState) => marksOn(state, 'p0');

test('canvases are made only where there is something to show, and highlights alone are multiplied', () => {
  painter.show(picture, WHOLE);
  expect([light.childElementCount, ink.childElementCount]).toEqual([0, 0]);
  expect(light.style.mixBlendMode).not.toBe('multiply');
  painter.setMarks(
    on(
      written(pages, [
        { page: 0, path: bar(700) },
        { page: 0, path: bar(750), instrument: HIGHLIGHTER },
      ]),
    ),
    NONE,
  );
  // Tiles of 256 pixels: both bars lie in the one at the top left.
  expect([light.childElementCount, ink.childElementCount]).toEqual([1, 1]);
  expect(light.style.mixBlendMode).toBe('multiply');
  expect(fills(light)).toEqual(['fill #ffd91f 75 % multiply']);
  expect(fills(ink)).toEqual(['fill #1f3361 100 % source-over']);
  painter.release();
  expect([light.childElementCount, ink.childElementCount, light.style.mixBlendMode]).toEqual([
    0,
    0,
    'normal',
  ]);
});

test('a mark that came over all others is painted alone, and nothing is cleared', () => {
  const state = written(pages, [
    { page: 0, path: bar(700) },
    { page: 0, path: bar(720) },
    { page: 0, path: bar(740) },
  ]);
  const before = done(state, removeMarks(state, ['m2']));
  painter.show(picture, WHOLE);
  painter.setMarks(on(before), NONE);
  const count = said(ink).length;
  painter.setMarks(on(state), NONE);
  expect(said(ink).slice(count)).toEqual(['fill #1f3361 100 % source-over']);
});

test('where a mark goes, its surroundings alone are cleared and painted again', () => {
  const state = written(pages, [
    { page: 0, path: bar(700) },
    { page: 0, path: bar(701) },
    { page: 0, path: bar(650) },
  ]);
  painter.show(picture, WHOLE);
  painter.setMarks(on(state), NONE);
  const count = said(ink).length;
  painter.setMarks(on(done(state, removeMarks(state, ['m0']))), NONE);
  const after = said(ink).slice(count);
  const [, x, y, width, height] = (after.find((s) => s.startsWith('clear')) ?? '')
    .split(' ')
    .map(Number);
  // Around a bar from 40 to 110, 100 pixels from the top.
  expect(x).toBeGreaterThan(30);
  expect(x + width).toBeLessThan(120);
  expect(y).toBeGreaterThan(90);
  expect(y + height).toBeLessThan(110);
  // Its neighbour, which reaches into that, but not the one far away.
  expect(after.filter((s) => s.startsWith('fill'))).toHaveLength(1);
});

test('what the eraser would take looks faint until it is decided', () => {
  const state = written(pages, [{ page: 0, path: bar(700) }]);
  painter.show(picture, WHOLE);
  painter.setMarks(on(state), NONE);
  painter.setMarks(on(state), new Set(['m0']));
  expect(fills(ink).at(-1)).toBe('fill #1f3361 18 % source-over');
  painter.setMarks(on(state), NONE);
  expect(fills(ink).at(-1)).toBe('fill #1f3361 100 % source-over');
});

test('tiles out of sight let go of their canvases, and come back with their marks', () => {
  const state = written(pages, [
    { page: 0, path: bar(700) },
    { page: 0, path: bar(100) },
  ]);
  const large = new PagePicture(PAGE, 2);
  painter.show(large, WHOLE);
  painter.setMarks(on(state), NONE);
  expect(ink.childElementCount).toBe(2);
  painter.show(large, box(0, 0, 600, 100));
  expect(ink.childElementCount).toBe(1);
  painter.show(large, WHOLE);
  expect(ink.childElementCount).toBe(2);
});

test('much ink just out of sight is painted over several frames, and at once when it comes into sight', () => {
  jest.useFakeTimers();
  const state = written(
    pages,
    Array.from({ length: 400 }, (_, i) => ({ page: 0, path: bar(20 + (260 * i) / 400) })),
  );
  const top = box(0, 0, 600, 400);
  const painted = (): number => fills(ink).length;
  painter.setMarks(on(state), NONE);
  painter.show(picture, top);
  const first = painted();
  expect(first).toBeGreaterThan(0);
  expect(first).toBeLessThan(300);
  jest.advanceTimersByTime(16);
  expect(painted()).toBeGreaterThan(first);
  expect(painted()).toBeLessThan(400);
  painter.show(picture, WHOLE);
  expect(painted()).toBeGreaterThanOrEqual(400);
  const all = painted();
  jest.advanceTimersByTime(200);
  expect(painted()).toBe(all);
  jest.useRealTimers();
});
