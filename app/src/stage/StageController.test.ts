import { turnPage } from '@marginalis/core/document';
import { box, plainPage, transform } from '@marginalis/core/geometry';
import { pageRefsFor } from '../../../core/testing/marks';
import { StageController } from './StageController';

const A4 = plainPage(595, 842);
const pages = (count: number, size = A4) => pageRefsFor(Array.from({ length: count }, () => size));
const stageOf = (count: number): StageController => {
  const stage = new StageController(pages(count));
  stage.resize(800, 600);
  return stage;
};
/** Where the top of the page in sight stands in the window, CSS pixels. */
const topInSight = (stage: StageController): number =>
  stage.userToView(stage.getSight().current)[5];

test('the next page is asked for twice within one frame, and the one after it comes', () => {
  const stage = stageOf(9);
  stage.goToPage(stage.getSight().current + 1);
  stage.goToPage(stage.getSight().current + 1);
  expect(stage.getSight().current).toBe(2);
});

test('no page before the first is gone to, and none after the last', () => {
  const stage = stageOf(3);
  stage.goToPage(-4);
  expect(stage.getSight().current).toBe(0);
  stage.goToPage(7);
  expect(stage.getSight().current).toBe(2);
});

test('what is in sight stays where it is when a page before it comes, and goes', () => {
  const stage = stageOf(9);
  const before = stage.pages;
  stage.goToPage(5);
  const top = topInSight(stage);
  const [added] = pageRefsFor([A4]);
  stage.setPages([before[0], { ...added, id: 'added' }, ...before.slice(1)]);
  expect(stage.getSight()).toMatchObject({ current: 6, count: 10 });
  expect(topInSight(stage)).toBeCloseTo(top);
  stage.setPages(before);
  expect(stage.getSight()).toMatchObject({ current: 5, count: 9 });
  expect(topInSight(stage)).toBeCloseTo(top);
});

test('whoever shows pages is told of one that has become another, though all else stays', () => {
  const stage = stageOf(9);
  stage.goToPage(4);
  const before = stage.getSight();
  const told: unknown[] = [];
  stage.subscribe(() => told.push(stage.getSight()));
  const pages = stage.pages.map((page, k) => (k === 4 ? turnPage(page, 180) : page));
  stage.setPages(pages);
  expect(told.at(-1)).not.toBe(before);
  expect(stage.getSight()).toEqual({ ...before, pages });
});

test('when the page in sight goes, and it was the last and widest, one sees the one before it', () => {
  const stage = stageOf(3);
  const before = stage.pages;
  const [wide] = pageRefsFor([plainPage(1200, 842)]);
  stage.setPages([...before, { ...wide, id: 'wide' }]);
  stage.setFit('page');
  stage.goToPage(3);
  stage.setPages(before);
  expect(stage.getSight().current).toBe(2);
  const never = stageOf(3);
  never.setFit('page');
  expect(stage.getSight().zoom).toBeCloseTo(never.getSight().zoom);
});

test('a place that can be seen is left where it is; another comes to the middle', () => {
  const stage = stageOf(9);
  const area = box(100, 700, 200, 720);
  stage.bringInSight(0, area);
  expect(stage.getCamera().y).toBe(0);
  expect(stage.shows(6, area)).toBe(false);
  stage.bringInSight(6, area);
  expect(stage.getSight().current).toBe(6);
  const middle = transform(stage.userToView(6), { x: 150, y: 710 });
  expect(middle.y).toBeCloseTo(300);
  const { y } = stage.getCamera();
  stage.bringInSight(6, null);
  expect(stage.getCamera().y).toBe(y);
  stage.bringInSight(2, null);
  expect(stage.getSight().current).toBe(2);
});

test('what reaches beyond the last page can be seen as long as it does', () => {
  const stage = stageOf(2);
  const foot = (): number => transform(stage.userToView(1), { x: 100, y: -3000 }).y;
  stage.goToPage(1);
  stage.pan(0, -9000);
  expect(foot()).toBeGreaterThan(2000);
  stage.reach(1, [
    { x: 100, y: 700 },
    { x: 300, y: -3000 },
  ]);
  stage.pan(0, -9000);
  expect(foot()).toBeLessThan(600);
  const { x, y } = stage.getCamera();
  stage.reach(1, null);
  expect(stage.getCamera().y).toBeLessThan(y);
  expect(stage.getCamera().x).toBeCloseTo(x);
  stage.setPages(stage.pages.slice(0, 1));
  expect(stage.getSight().current).toBe(0);
});

test('a place is found again in a window of another size, and after another page came before it', () => {
  const stage = stageOf(9);
  stage.zoomTo(2.5, { x: 400, y: 300 });
  stage.goToPage(4);
  stage.pan(-70, -90);
  const place = stage.getPlace();
  const corner = stage.toUser(4, { x: 0, y: 0 });
  const other = new StageController([{ ...pageRefsFor([A4])[0], id: 'added' }, ...stage.pages]);
  other.beginAt(place);
  other.resize(500, 700);
  const found = other.toUser(5, { x: 0, y: 0 });
  expect(found.x).toBeCloseTo(corner.x);
  expect(found.y).toBeCloseTo(corner.y);
  const fitted = stageOf(9);
  fitted.goToPage(3);
  const narrow = new StageController(stage.pages);
  narrow.beginAt(fitted.getPlace());
  narrow.resize(400, 700);
  expect(narrow.getSight()).toMatchObject({ current: 3, fit: 'width' });
  narrow.goToPlace({ ...place, page: 'gone' });
  expect(narrow.getSight().current).toBe(3);
});

test('after a jump one can go back to where one was, not after scrolling; several at once are one', () => {
  const stage = stageOf(40);
  stage.pan(0, -200);
  expect(stage.getSight().before).toBeNull();
  const { y } = stage.getCamera();
  stage.goToPage(20);
  stage.goToPage(21);
  stage.goToShare(0.9);
  expect(stage.getSight().before?.page).toBe(stage.pages[0].id);
  stage.step('back');
  expect(stage.getCamera().y).toBeCloseTo(y);
  expect(stage.getSight().before).toBeNull();
  stage.goToPage(30);
  stage.pan(0, 1e6);
  expect(stage.getSight().before).toBeNull();
});

test('one goes back through all places one left, and forward again until one goes elsewhere', () => {
  const stage = stageOf(40);
  let now = 0;
  jest.spyOn(performance, 'now').mockImplementation(() => (now += 10_000));
  const at = (): number => stage.getSight().current;
  for (const page of [10, 20, 30]) stage.goToPage(page);
  stage.step('back');
  expect(at()).toBe(20);
  stage.step('back');
  expect(at()).toBe(10);
  stage.step('forward');
  expect(at()).toBe(20);
  expect(stage.getSight().after?.page).toBe(stage.pages[30].id);
  stage.goToPage(35);
  expect(stage.getSight().after).toBeNull();
  stage.step('forward');
  expect(at()).toBe(35);
  for (const page of [20, 10, 0, 0]) {
    stage.step('back');
    expect(at()).toBe(page);
  }
  jest.restoreAllMocks();
});

test('one flips between a place that is held and where one is', () => {
  const stage = stageOf(9);
  stage.goToPage(2);
  stage.hold(stage.getPlace());
  stage.goToPage(7);
  stage.flip();
  expect(stage.getSight()).toMatchObject({ current: 2, held: { page: stage.pages[7].id } });
  stage.flip();
  expect(stage.getSight()).toMatchObject({ current: 7, held: { page: stage.pages[2].id } });
  stage.hold(null);
  stage.flip();
  expect(stage.getSight()).toMatchObject({ current: 7, held: null });
});

const FACING = { across: 2, cover: true, flow: 'down', turn: 0 } as const;

test('facing pages: one goes on by spreads, and the page in sight stays in sight when they are laid otherwise', () => {
  const stage = stageOf(9);
  stage.goToPage(4);
  stage.setView(FACING);
  expect(stage.getSight()).toMatchObject({ current: 3, view: FACING });
  stage.goSpreads(1);
  expect(stage.getSight().current).toBe(5);
  const hit = stage.pageAt({ x: 600, y: 300 });
  expect(hit?.index).toBe(6);
  stage.setView({ ...FACING, across: 1 });
  expect(stage.getSight().current).toBe(5);
});

test('one page at a time: it alone is in sight, scrolling and fingers go on to the next, and a little way comes back', () => {
  const stage = stageOf(9);
  let now = 0;
  jest.spyOn(performance, 'now').mockImplementation(() => now);
  window.matchMedia = () => ({ matches: true }) as MediaQueryList;
  stage.setView({ across: 1, cover: false, flow: 'sideways', turn: 0 });
  expect(stage.getSight()).toMatchObject({ first: 0, last: 0, fit: 'page' });
  now = 1000;
  stage.scroll(0, -100);
  stage.scroll(0, -100);
  expect(stage.getSight().current).toBe(1);
  const drag = (dx: number, speed: number): void => {
    stage.grip();
    stage.pan(dx, 0);
    stage.letGo({ x: speed, y: 0 });
  };
  drag(-300, 0);
  expect(stage.getSight()).toMatchObject({ current: 2, first: 2, last: 2 });
  drag(-40, 0);
  expect(stage.getSight()).toMatchObject({ current: 2, first: 2, last: 2 });
  drag(-40, -1);
  expect(stage.getSight().current).toBe(3);
  drag(250, 0);
  expect(stage.getSight().current).toBe(2);
  stage.goToPage(8);
  drag(-300, -1);
  expect(stage.getSight()).toMatchObject({ current: 8, first: 8, last: 8 });
});

test('pages turned for reading are seen turned, and the document’s own are as they were', () => {
  const stage = stageOf(3);
  const [page] = stage.pages;
  stage.setView({ across: 1, cover: false, flow: 'down', turn: 90 });
  expect(stage.pages[0]).toMatchObject({ id: page.id, rotate: 90, turn: 90 });
  expect(page.rotate).toBe(0);
  expect(stage.stack.widths[0]).toBe(842);
});

test('a zoom that was held for a panel is fitted again, unless somebody has zoomed since', () => {
  const stage = stageOf(3);
  stage.holdZoom();
  stage.resize(400, 600);
  const { zoom } = stage.getSight();
  stage.fitAgain();
  expect(stage.getSight().fit).toBe('width');
  expect(stage.getSight().zoom).toBeLessThan(zoom);
  stage.holdZoom();
  stage.zoomTo(3);
  stage.fitAgain();
  expect(stage.getSight()).toMatchObject({ fit: 'free', zoom: 3 });
});

test.each([
  [390, 844],
  [1200, 700],
])(
  'one page, or two, at a time stands in the middle of a window of %i × %i, wherever one came from',
  (width, height) => {
    const stage = stageOf(9);
    stage.resize(width, height);
    for (const across of [2, 1] as const) {
      stage.setView({ across, cover: true, flow: 'sideways', turn: 0 });
      for (const by of [1, 1, -1]) {
        stage.goSpreads(by);
        const { current } = stage.getSight();
        const { zoom } = stage.getCamera();
        const last = current + across - 1;
        const [left, top] = stage.cornerOf(current);
        const right = stage.cornerOf(last)[0] + stage.stack.widths[last] * zoom;
        expect(left).toBeCloseTo(width - right, 3);
        expect(top).toBeCloseTo(height - top - stage.stack.heights[current] * zoom, 3);
        expect(left).toBeGreaterThan(7);
      }
    }
  },
);
