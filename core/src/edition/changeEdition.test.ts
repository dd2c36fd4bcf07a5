import fc from 'fast-check';
import { done, lineOn, markOf, pageRefsFor, written } from '../../testing/marks.ts';
import { rawPrint } from '../../testing/print.ts';
import { boundsOf } from '../derived/index.ts';
import { addPaper, correctPrint, printedLineAt, redact } from '../editing/index.ts';
import { asCorrection, asRedaction } from '../kinds/index.ts';
import type { LetterStyle } from '../type/index.ts';
import {
  applyTransaction,
  type Bookmark,
  type DocState,
  findMark,
  invertTransaction,
  marksOn,
  type OwnLink,
} from '../document/index.ts';
import { box, plainPage } from '../geometry/index.ts';
import { usualRuling } from '../paper/index.ts';
import { quadsOf, readPrint } from '../print/index.ts';
import { carryOver } from './carryOver.ts';
import { changeEdition } from './changeEdition.ts';
import type { EditionPage } from './editionText.ts';
import { canBePut, dropWaiting, putWaiting, waitingMarks } from './waiting.ts';

const [WAS, IS] = ['a'.repeat(64), 'b'.repeat(64)];
const PAGE = plainPage(300, 400);
const SAID = [
  ['limpets graze at night', 'and are home by morning', 'each on its own scar'],
  ['barnacles stay for life', 'where they once settled', 'head down on the rock'],
  ['winkles seal their shells', 'and wait for the tide', 'in cracks of dry stone'],
];
/** A page that says so, its first line at a height. */
const printed = (lines: readonly string[], head = 360): EditionPage => ({
  ...PAGE,
  print: readPrint(rawPrint(lines.map((text, k) => ({ text, x: 40, y: head - 60 * k })))),
});
const before = SAID.map((lines) => printed(lines));
const ids = ['p0', 'p1', 'p2'];
const start = (): DocState => {
  const pages = pageRefsFor([PAGE, PAGE, PAGE]).map((page, index) => ({
    ...page,
    shows: { source: WAS, index },
  }));
  return written(pages, [lineOn(0, 'first'), lineOn(1, 'second'), lineOn(2, 'third')]);
};
const newIds = () => {
  let n = 0;
  return () => `new ${(n += 1)}`;
};

/** Carries a document over to these pages. */
function carriedTo(document: DocState, is: readonly EditionPage[], left: readonly string[] = []) {
  const was = before.map((page, k) => ({ ...page, ids: [ids[k]] }));
  const carried = carryOver({ document, was, is, byPicture: new Map() });
  const transaction = changeEdition({
    ...{ document, was: WAS, is: IS, pages: is, carried, left: new Set(left) },
    newId: newIds(),
  });
  return { carried, transaction, after: done(document, transaction) };
}

const shownBy = ({ pages }: DocState): (number | string)[] =>
  pages.map(({ shows }) => ('source' in shows ? shows.index : 'paper'));

test('pages of the new edition take the places of the old; marks go with what stands around them', () => {
  const document = start();
  const fresh = printed(['something new about crabs', 'that was not there']);
  const moved = printed(SAID[0], 340);
  const { after, carried } = carriedTo(document, [before[1], fresh, moved, before[2]]);
  expect(carried.fates.map(({ to }) => to)).toEqual([2, 0, 3]);
  expect(after.pages.map(({ id }) => id)).toEqual(['p1', 'new 1', 'p0', 'p2']);
  expect(shownBy(after)).toEqual([0, 1, 2, 3]);
  expect(after.pages.every(({ shows }) => 'source' in shows && shows.source === IS)).toBe(true);
  expect(findMark(after, 'first')?.page).toBe('p0');
  const height = (state: DocState): number => boundsOf(markOf(state, 'first')).minY;
  expect(height(after)).toBeCloseTo(height(document) - 20, 1);
  const second = (state: DocState) => boundsOf(markOf(state, 'second'));
  expect(second(after)).toEqual(second(document));
});

test('a correction goes with the line it corrects, and waits where that says something else', () => {
  const line = printedLineAt(before[0].print, { x: 60, y: 362 });
  if (!line) throw new Error('The line is not there.');
  const look: LetterStyle = {
    ...({ family: 'serif', size: 10, colour: '#1b1b1d' } as const),
    ...{ bold: false, italic: false, underline: false },
  };
  const document = done(
    start(),
    correctPrint(start(), {
      ...{ id: 'c', page: 'p0', line, says: 'limpets rest at night', look, stretch: 1 },
      ...{
        baseline: { x: 40, y: 360 },
        set: { below: 9, width: 100 },
        paper: '#ffffff',
        madeAt: 1,
      },
    }),
  );
  const { after } = carriedTo(document, [printed(SAID[0], 340), before[1], before[2]]);
  const mark = asCorrection(findMark(after, 'c'));
  expect(mark?.at).toMatchObject({ x: 40, y: 349 });
  expect(mark?.quad[0].y).toBeCloseTo(line.quad[0].y - 20, 3);
  const other = printed(['limpets sleep at night', ...SAID[0].slice(1)]);
  const changed = carriedTo(document, [other, before[1], before[2]]);
  const waiting = waitingMarks(changed.after);
  expect(waiting.map(({ id }) => id)).toEqual(['c']);
  expect(putWaiting(changed.after, waiting, 'p0', { x: 9, y: 9 })).toBeNull();
});

test('a bar says what it hides where it has come to lie', () => {
  const document = start();
  const quads = quadsOf(before[0].print, { from: 0, to: 7 });
  const bar = { id: 'bar', page: 'p0', quads, says: 'limpets', madeAt: 1 };
  const { after } = carriedTo(done(document, redact(document, [bar])), [
    printed(['mussels graze at night', ...SAID[0].slice(1)]),
    ...before.slice(1),
  ]);
  expect(asRedaction(markOf(after, 'bar'))?.says).toBe('mussels');
  expect(canBePut(markOf(after, 'bar'))).toBe(false);
});

test('one step back takes all of it back', () => {
  const document = start();
  const { transaction, after } = carriedTo(document, [before[2], before[0]]);
  const back = applyTransaction(after, invertTransaction(transaction));
  expect(back.ok && back.state.pages).toEqual(document.pages);
  expect(back.ok && ids.map((id) => [...marksOn(back.state, id).keys()])).toEqual(
    ids.map((id) => [...marksOn(document, id).keys()]),
  );
});

test('marks of a page that is gone wait, and are put on another page, or removed', () => {
  const document = start();
  const { after } = carriedTo(document, [before[0], before[2]]);
  expect(waitingMarks(after).map(({ id }) => id)).toEqual(['second']);
  const put = done(after, putWaiting(after, waitingMarks(after), 'p2', { x: 100, y: 200 }));
  expect(waitingMarks(put)).toEqual([]);
  expect(findMark(put, 'second')?.page).toBe('p2');
  const dropped = done(after, dropWaiting(waitingMarks(after)));
  expect(waitingMarks(dropped)).toEqual([]);
  expect(dropWaiting([])).toBeNull();
});

test('a mark that is left waits, though its place is known', () => {
  const { after } = carriedTo(start(), before, ['first']);
  expect(waitingMarks(after).map(({ id }) => id)).toEqual(['first']);
});

test('paper stays behind the page it followed; bookmarks and links go with their pages', () => {
  const bookmark = { id: 'b', title: 'Scar', page: 'p0', at: { x: 40, y: 300 }, parent: null };
  const link: OwnLink = {
    ...{ id: 'l', page: 'p2', area: box(40, 200, 90, 220), framed: false },
    to: { page: 'p0', at: { x: 40, y: 300 } },
  };
  const document = {
    ...done(start(), addPaper(start(), 'p0', usualRuling('ruled'), 'paper')),
    bookmarks: new Map([['b', { ...bookmark, order: 1, madeAt: 1 } as Bookmark]]),
    links: new Map([['l', link]]),
  };
  const { after } = carriedTo(document, [before[1], printed(SAID[0], 350), before[2]]);
  expect(shownBy(after)).toEqual([0, 1, 'paper', 2]);
  expect(after.bookmarks.get('b')?.at?.y).toBeCloseTo(290, 0);
  expect(after.links.get('l')?.to).toMatchObject({ page: 'p0', at: { y: expect.closeTo(290, 0) } });
  expect(after.links.get('l')?.area).toEqual(link.area);
});

test('whatever comes of the pages, no mark is lost to the document, and one step takes it back', () => {
  const page = fc.oneof(
    fc.integer({ min: 0, max: 2 }).map((k) => before[k]),
    fc.integer({ min: 0, max: 2 }).map((k) => printed(SAID[k], 330)),
    fc.constant(printed(['nothing that was said before', 'stands on this page'])),
  );
  fc.assert(
    fc.property(
      fc.array(page, { minLength: 1, maxLength: 5 }),
      fc.subarray(['first', 'second', 'third']),
      (is, left) => {
        const document = start();
        const { transaction, after } = carriedTo(document, is, left);
        const seen = after.pages.flatMap(({ id }) => [...marksOn(after, id).keys()]);
        const all = [...seen, ...waitingMarks(after).map(({ id }) => id)];
        expect(all.sort()).toEqual(['first', 'second', 'third']);
        expect(after.pages).toHaveLength(is.length);
        const back = applyTransaction(after, invertTransaction(transaction));
        expect(back.ok && back.state.pages).toEqual(document.pages);
      },
    ),
    { numRuns: 60 },
  );
});
