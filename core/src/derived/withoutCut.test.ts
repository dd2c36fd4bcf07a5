import { done, lineOn, pageRefsFor, written } from '../../testing/marks.ts';
import { cropPage, type DocState, isCutDown, withoutRest } from '../document/index.ts';
import { addNote } from '../editing/index.ts';
import { box, plainPage } from '../geometry/index.ts';
import { withoutCut } from './withoutCut.ts';

const PAGES = pageRefsFor([plainPage(200, 200), plainPage(200, 200)]);
// From 10, 10 to 90, 60, on both pages.
const whole = written(PAGES, [lineOn(0, 'first'), lineOn(1, 'second')]);

const cut = (document: DocState, to: [number, number, number, number]): DocState => ({
  ...document,
  pages: document.pages.map((page, k) => (k === 0 ? cropPage(page, box(...to)) : page)),
});
const left = ({ marks }: DocState): string[] => [...marks.values()].flatMap((on) => [...on.keys()]);

test('marks beyond what is seen are gone with what is said of them, those seen in part stay', () => {
  const noted = ['first', 'second'].reduce(
    (state, mark) =>
      done(
        state,
        addNote(state, {
          id: `n-${mark}`,
          about: { mark },
          text: 'Said',
          author: '',
          madeAt: 1,
          style: { colour: '#000000', width: 1, opacity: 1 },
        }),
      ),
    whole,
  );
  const other = withoutCut(cut(noted, [100, 100, 200, 200]));
  expect(left(other)).toEqual(['second']);
  expect([...other.threads.keys()]).toEqual(['n-second']);
  expect(left(withoutCut(cut(noted, [80, 50, 200, 200])))).toEqual(['first', 'second']);
});

test('where nothing lies there it is the same document', () => {
  expect(withoutCut(whole)).toBe(whole);
  const near = cut(whole, [0, 0, 100, 100]);
  expect(withoutCut(near)).toBe(near);
});

test('links beyond what is seen are gone', () => {
  const link = (id: string, area: ReturnType<typeof box>) =>
    [
      id,
      { id, page: PAGES[0].id, area, to: { address: 'https://example.org/' }, framed: false },
    ] as const;
  const links = new Map([link('in', box(120, 120, 130, 130)), link('out', box(0, 0, 50, 50))]);
  const other = withoutCut(cut({ ...whole, links }, [100, 100, 200, 200]));
  expect([...other.links.keys()]).toEqual(['in']);
});

test('a page without the rest came with what is seen of it', () => {
  const [page] = cut(whole, [50, 50, 150, 150]).pages;
  expect(isCutDown(page)).toBe(true);
  expect(withoutRest(page)).toEqual({ ...page, sheet: page.box, crop: null });
  expect(withoutRest(PAGES[1])).toBe(PAGES[1]);
  // Widened at one side, cut at another: the margin stays one.
  const both = { ...PAGES[0], crop: box(50, 0, 300, 200), box: box(50, 0, 300, 200) };
  expect(withoutRest(both)).toEqual({ ...both, sheet: box(50, 0, 200, 200) });
});
