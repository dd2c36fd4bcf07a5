import { FIGURE_KINDS } from '../../testing/figureKinds.ts';
import fc from 'fast-check';
import { idealFigure } from '../../testing/drawnFigures.ts';
import { alongCorners, ellipsePath, wavePath, writeAlong } from '../../testing/hand.ts';
import { done, HIGHLIGHTER, markOf, pageRefsFor, PEN } from '../../testing/marks.ts';
import { seededRandom } from '../../testing/seededRandom.ts';
import { boundsOf, centrelinesOf, outlineOf } from '../derived/index.ts';
import { type DocState, emptyDocument, inOrder, marksOn, markChange } from '../document/index.ts';
import {
  boxCentre,
  boxHeight,
  boxWidth,
  displayMatrix,
  invertMatrix,
  type Matrix,
  plainPage,
  scaleAbout,
  thenMatrix,
  transform,
  turnAbout,
  type Vec,
} from '../geometry/index.ts';
import { fromMarkRecord, type InkMark, type Mark, toMarkRecord } from '../kinds/index.ts';
import { type MarkId } from '../marks/index.ts';
import { alignMarks, distributeMarks, groupMarks, orderMarks, ungroupMarks } from './arrange.ts';
import { boundsOfAll, carryMarks, moveToPage } from './carry.ts';
import { ClipError, copyMarks, duplicateMarks, pasteMarks, readClip, writeClip } from './clip.ts';
import { drawInk } from './draw.ts';
import { changeFigure, drawFigure } from './figures.ts';
import { marksAt, marksWithin, pickedBy, withGroups } from './pick.ts';
import { lockMarks, restyleMarks } from './restyle.ts';

let made = 0;
const newId = (): string => `new-${++made}`;
const ids = (marks: readonly Mark[]): MarkId[] => marks.map(({ id }) => id);

const pages = pageRefsFor([plainPage(600, 800), { ...plainPage(600, 800), rotate: 90 }]);
const style = { colour: '#0f7566', width: 1.4, opacity: 1 };
const at = (x: number, y: number): Vec => ({ x, y });

function ink(state: DocState, id: string, path: readonly Vec[], madeAt: number, instrument = PEN) {
  const samples = writeAlong(path, { seed: id.length + madeAt });
  const end = madeAt + samples[samples.length - 1].t;
  return done(state, drawInk(state, { id, page: 'p0', instrument, samples, madeAt: end }));
}

/** Three letters of a word, a stroke far away in time beside them, a highlight beneath and a circle. */
function page(): DocState {
  let state = emptyDocument(pages);
  state = ink(state, 'light', alongCorners([at(90, 300), at(180, 300)]), 0, HIGHLIGHTER);
  state = ink(state, 'old', wavePath(at(152, 300), 12, 6, 1), 20_000);
  state = ink(state, 'a', ellipsePath(at(105, 300), 6, 7, 0), 60_000);
  state = ink(state, 'b', wavePath(at(116, 300), 12, 6, 1), 61_000);
  state = ink(state, 'c', ellipsePath(at(138, 300), 6, 7, 0), 62_000);
  const circle = { kind: 'circle', centre: at(400, 300), radius: 50 } as const;
  return done(
    state,
    drawFigure(state, { id: 'circle', page: 'p0', figure: circle, style, madeAt: 0 }),
  );
}
const full = page();

test('a tap picks what is topmost, a word whole, and a single stroke when asked', () => {
  const touched = marksAt(full, 'p0', at(111, 300), 4);
  expect(ids(touched)).toEqual(['a', 'light']);
  expect(pickedBy(full, touched[0], false)).toEqual(['a', 'b', 'c']);
  expect(pickedBy(full, touched[0], true)).toEqual(['a']);
  expect(pickedBy(full, markOf(full, 'old'), false)).toEqual(['old']);
  expect(pickedBy(full, markOf(full, 'light'), false)).toEqual(['light']);
  // The circle's line, not its inside, as long as it is empty.
  expect(ids(marksAt(full, 'p0', at(450, 300), 4))).toEqual(['circle']);
  expect(marksAt(full, 'p0', at(400, 300), 4)).toEqual([]);
  const fill = { colour: style.colour, opacity: 0.2 };
  const filled = done(full, changeFigure(full, 'circle', { fill }));
  expect(ids(marksAt(filled, 'p0', at(400, 300), 4))).toEqual(['circle']);
});

test('a lasso picks what lies in it for the most part', () => {
  const lasso = [at(96, 280), at(147, 280), at(147, 320), at(96, 320)];
  expect(ids(marksWithin(full, 'p0', lasso))).toEqual(['a', 'b', 'c']);
  expect(marksWithin(full, 'p0', lasso.slice(0, 2))).toEqual([]);
  const all = [at(0, 0), at(600, 0), at(600, 800), at(0, 800)];
  expect(marksWithin(full, 'p0', all)).toHaveLength(6);
});

test('groups are picked together, and what is locked is not picked at all', () => {
  const grouped = done(full, groupMarks(full, ['a', 'circle'], 'g1'));
  expect(withGroups(grouped, ['circle']).sort()).toEqual(['a', 'circle']);
  expect(pickedBy(grouped, markOf(grouped, 'a'), false).sort()).toEqual(['a', 'circle']);
  const locked = done(grouped, lockMarks(grouped, ['a'], true));
  expect(withGroups(locked, ['circle'])).toEqual(['circle']);
  expect(carryMarks(locked, ['a'], [1, 0, 0, 1, 5, 5], 'Move')).toBeNull();
  expect(markOf(done(locked, lockMarks(locked, ['a'], false)), 'a')).toEqual(markOf(grouped, 'a'));
  const apart = done(grouped, ungroupMarks(grouped, ['a', 'circle']));
  expect(markOf(apart, 'a')).toEqual(markOf(full, 'a'));
  expect(groupMarks(full, ['a'], 'g2')).toBeNull();
  expect(ungroupMarks(full, ['a'])).toBeNull();
});

const factor = fc.double({ min: 0.3, max: 3, noNaN: true });
const maps = fc
  .tuple(
    factor,
    factor,
    fc.double({ min: -4, max: 4, noNaN: true }),
    fc.integer({ min: 0, max: 500 }),
  )
  .map(([sx, sy, turn, p]): Matrix =>
    thenMatrix(scaleAbout(sx, sy, at(p, 300)), turnAbout(turn, at(p, p))),
  );

test('moving, scaling and turning and their inverses return to the original within 0.001 pt', () => {
  fc.assert(
    fc.property(maps, fc.boolean(), (matrix, widthFollows) => {
      const inks = ['light', 'a', 'b', 'old'];
      const there = done(full, carryMarks(full, inks, matrix, 'Scale', { widthFollows }));
      const back = done(
        there,
        carryMarks(there, inks, invertMatrix(matrix), 'Scale', { widthFollows }),
      );
      for (const id of inks) {
        const [p, q] = [full, back].map((state) => centrelinesOf(markOf(state, id)).flat());
        expect(q).toHaveLength(p.length);
        p.forEach((v, i) => expect(Math.hypot(v.x - q[i].x, v.y - q[i].y)).toBeLessThan(0.001));
        expect(markOf(back, id).style.width).toBeCloseTo(markOf(full, id).style.width, 6);
        const moved = centrelinesOf(markOf(there, id)).flat();
        const first = transform(matrix, p[0]);
        expect(Math.hypot(moved[0].x - first.x, moved[0].y - first.y)).toBeLessThan(0.001);
      }
    }),
    { numRuns: 40 },
  );
});

test('what is moved is stored and comes back', () => {
  const matrix = turnAbout(0.7, at(100, 300));
  const moved = done(full, carryMarks(full, ['a', 'circle'], matrix, 'Turn'));
  for (const id of ['a', 'circle']) {
    const mark = markOf(moved, id);
    const back = fromMarkRecord(JSON.parse(JSON.stringify(toMarkRecord(mark))));
    expect(back).toEqual(mark);
    expect([...outlineOf(back).coords]).toEqual([...outlineOf(mark).coords]);
  }
});

test('a figure grows with its ink, which comes back where it is', () => {
  const a = markOf(full, 'a') as InkMark;
  const figure = { kind: 'circle', centre: at(105, 300), radius: 7 } as const;
  const tidied = done(full, {
    label: 'Tidy',
    changes: [
      markChange(a, {
        ...a,
        kind: 'figure',
        figure,
        dash: 'none',
        fill: null,
        from: [a],
      } as Mark),
    ],
  });
  const grown = markOf(
    done(tidied, carryMarks(tidied, ['a'], scaleAbout(2, 2, at(0, 0)), 'Scale')),
    'a',
  );
  if (grown.kind !== 'figure') throw new Error('A figure stays one.');
  expect(grown.figure).toMatchObject({ kind: 'circle', radius: 14 });
  expect(boxCentre(boundsOf(grown.from[0])).x).toBeCloseTo(2 * boxCentre(boundsOf(a)).x, 1);
});

test('on a page that is turned, what is pasted or moved looks as it did, in the place that was meant', () => {
  const clip = copyMarks(full, ['a', 'b', 'circle', 'light']);
  if (!clip) throw new Error('Nothing was copied.');
  const pasted = done(full, pasteMarks(full, readClip(writeClip(clip)), 'p1', at(300, 350), newId));
  const there = inOrder(marksOn(pasted, 'p1'));
  expect(there).toHaveLength(4);
  const seen = (mark: Mark, page: number): Vec[] =>
    centrelinesOf(mark)
      .flat()
      .map((p) => transform(displayMatrix(pages[page]), p));
  clip.marks.forEach((mark, k) => {
    const [p, q] = [seen(mark, 0), seen(there[k], 1)];
    const by = at(q[0].x - p[0].x, q[0].y - p[0].y);
    expect(q).toHaveLength(p.length);
    if (mark.kind === 'ink')
      p.forEach((v, i) =>
        expect(Math.hypot(v.x + by.x - q[i].x, v.y + by.y - q[i].y)).toBeLessThan(0.001),
      );
    expect(there[k].id).not.toBe(mark.id);
  });
  const middle = boxCentre(boundsOfAll(there));
  expect(Math.hypot(middle.x - 300, middle.y - 350)).toBeLessThan(0.5);
  const moved = done(full, moveToPage(full, ['a', 'b'], 'p1', at(100, 100)));
  expect(marksOn(moved, 'p0').has('a')).toBe(false);
  expect(
    Math.hypot(boxCentre(boundsOfAll([...marksOn(moved, 'p1').values()])).x - 100),
  ).toBeLessThan(0.5);
  const back = done(
    moved,
    moveToPage(
      moved,
      ['a', 'b'],
      'p0',
      boxCentre(boundsOfAll([markOf(full, 'a'), markOf(full, 'b')])),
    ),
  );
  const [p, q] = [full, back].map((s) => centrelinesOf(markOf(s, 'a')).flat());
  p.forEach((v, i) => expect(Math.hypot(v.x - q[i].x, v.y - q[i].y)).toBeLessThan(0.02));
});

test('a damaged clip is told', () => {
  for (const text of [
    '',
    'no json',
    '{}',
    '{"marginalis":1,"page":{},"marks":[]}',
    '{"marginalis":1,"marks":[{"kind":"ink"}]}',
  ])
    expect(() => readClip(text)).toThrow(ClipError);
  const clip = copyMarks(full, ['a']);
  const text = clip ? writeClip(clip) : '';
  expect(() => readClip(text.replace('"engine":2', '"engine":9'))).toThrow(ClipError);
});

test('duplicates stand beside, have ids and groups of their own, and what was tidied too', () => {
  const grouped = done(full, groupMarks(full, ['a', 'b'], 'g1'));
  const twice = done(grouped, duplicateMarks(grouped, ['a', 'b'], at(20, -10), newId));
  const fresh = [...marksOn(twice, 'p0').values()].filter(({ id }) => id.startsWith('new-'));
  expect(fresh).toHaveLength(2);
  expect(new Set(fresh.map(({ group }) => group)).size).toBe(1);
  expect(fresh[0].group).not.toBe('g1');
  expect(boundsOf(fresh[0]).minX - boundsOf(markOf(full, 'a')).minX).toBeCloseTo(20, 1);
});

test('marks are laid over the others and beneath them', () => {
  const front = done(full, orderMarks(full, ['old', 'a'], 'front'));
  expect(ids(inOrder(marksOn(front, 'p0'))).slice(-2)).toEqual(['old', 'a']);
  const back = done(front, orderMarks(front, ['circle', 'a'], 'back'));
  expect(ids(inOrder(marksOn(back, 'p0'))).slice(0, 2)).toEqual(['circle', 'a']);
  expect(orderMarks(back, ['circle', 'a'], 'back')).toBeNull();
});

test('marks are brought into line and spread evenly, groups as one', () => {
  fc.assert(
    fc.property(fc.constantFrom('left', 'centre', 'right', 'top', 'middle', 'bottom'), (side) => {
      const after = done(full, alignMarks(full, ['a', 'circle', 'light'], side));
      const boxes = ['a', 'circle', 'light'].map((id) => boundsOf(markOf(after, id)));
      const edge = boxes.map((b) =>
        side === 'left'
          ? b.minX
          : side === 'right'
            ? b.maxX
            : side === 'centre'
              ? boxCentre(b).x
              : side === 'top'
                ? b.maxY
                : side === 'bottom'
                  ? b.minY
                  : boxCentre(b).y,
      );
      expect(Math.max(...edge) - Math.min(...edge)).toBeLessThan(0.05);
    }),
  );
  const spread = done(full, distributeMarks(full, ['a', 'b', 'old', 'circle'], 'across'));
  const boxes = ['a', 'b', 'old', 'circle']
    .map((id) => boundsOf(markOf(spread, id)))
    .sort((p, q) => p.minX - q.minX);
  const gaps = boxes.slice(1).map((b, k) => b.minX - boxes[k].maxX);
  expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThan(0.1);
  expect(boxes[0].minX).toBeCloseTo(boundsOf(markOf(full, 'a')).minX, 1);
  const grouped = done(full, groupMarks(full, ['a', 'b'], 'g1'));
  expect(alignMarks(grouped, ['a', 'b'], 'left')).toBeNull();
  const together = done(grouped, alignMarks(grouped, ['a', 'b', 'circle'], 'right'));
  const gap = (s: DocState): number =>
    boundsOf(markOf(s, 'b')).minX - boundsOf(markOf(s, 'a')).minX;
  expect(gap(together)).toBeCloseTo(gap(full), 1);
});

test('every kind of figure is carried and keeps the size it is given', () => {
  for (const kind of FIGURE_KINDS) {
    const figure = idealFigure(kind, seededRandom(7));
    const start = emptyDocument(pages);
    const state = done(start, drawFigure(start, { id: 'f', page: 'p0', figure, style, madeAt: 0 }));
    const size = (s: DocState): number => {
      const b = boundsOf(markOf(s, 'f'));
      return Math.hypot(boxWidth(b) - style.width, boxHeight(b) - style.width);
    };
    const grown = done(state, carryMarks(state, ['f'], scaleAbout(2, 2, at(0, 0)), 'Scale'));
    // A cloud's bulges are of one size however large it is.
    expect(Math.abs(size(grown) / size(state) - 2)).toBeLessThan(kind === 'cloud' ? 0.3 : 0.02);
  }
});

test('anything is given another look after the fact', () => {
  const look = {
    style: { colour: '#c22f17', width: 3 },
    steadiness: 90,
    dash: 'dashed',
    author: 'Rosa',
  } as const;
  const after = done(full, restyleMarks(full, ['a', 'circle', 'light'], look));
  expect(markOf(after, 'a')).toMatchObject({
    style: { colour: '#c22f17', width: 3 },
    author: 'Rosa',
    ink: { steadiness: 90 },
  });
  expect(markOf(after, 'circle')).toMatchObject({ dash: 'dashed', style: { width: 3 } });
  expect(restyleMarks(after, ['a', 'circle', 'light'], look)).toBeNull();
  const nobody = done(after, restyleMarks(after, ['a'], { author: '' }));
  expect('author' in markOf(nobody, 'a')).toBe(false);
  const filled = done(
    after,
    restyleMarks(after, ['circle', 'a'], { fill: { colour: '#c22f17', opacity: 0.3 } }),
  );
  const inked = done(filled, restyleMarks(filled, ['circle'], { style: { colour: '#1f3361' } }));
  expect(markOf(inked, 'circle')).toMatchObject({ fill: { colour: '#1f3361', opacity: 0.3 } });
});
