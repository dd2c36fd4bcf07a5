import { done, markOf } from '../../testing/marks.ts';
import { everythingIn, plainPdf } from '../../testing/pdfs.ts';
import { boundsOf } from '../derived/index.ts';
import { type DocState, emptyDocument, pagesOfSource, turnPage } from '../document/index.ts';
import type { EquationOutline } from '../equations/index.ts';
import { displayMatrix, plainPage, transform, transformBox } from '../geometry/index.ts';
import {
  asEquation,
  equationCorners,
  type EquationMark,
  equationSize,
  fromMarkRecord,
  kindFor,
  toMarkRecord,
} from '../kinds/index.ts';
import { makeFixedCopy } from '../pdf/index.ts';
import { carryMarks } from './carry.ts';
import { changeEquation, putEquation } from './equations.ts';

/** A box of ink three ems wide, over and beneath its baseline. */
const OUTLINE: EquationOutline = {
  width: 3,
  ascent: 1,
  descent: 0.5,
  pieces: [
    { verbs: 'MLLZ', coords: [0, -5000, 30_000, -5000, 30_000, 10_000] },
    { verbs: 'MLLZ', coords: [0, 0, 0, 10_000, 10_000, 0], colour: '#c22f17' },
  ],
};
const STYLE = { colour: '#1f3361', width: 1, opacity: 1 };
const [PLAIN] = pagesOfSource('a'.repeat(64), [plainPage(400, 600)], () => 'p0');

function withEquation(page = PLAIN, at = { x: 200, y: 300 }): DocState {
  const empty = emptyDocument([page]);
  const asked = { id: 'e', page, at, tex: 'a+b', outline: OUTLINE, size: 10, style: STYLE };
  return done(empty, putEquation(empty, { ...asked, madeAt: 1e12, author: 'Ines Mara' }));
}

function equation(state: DocState): EquationMark {
  const mark = asEquation(markOf(state, 'e'));
  if (!mark) throw new Error('There is no equation.');
  return mark;
}

test.each([0, 90, 180, 270] as const)(
  'on a page turned by %i° it stands upright about where it was wanted',
  (turn) => {
    const page = turnPage(PLAIN, turn);
    const mark = equation(withEquation(page));
    const seen = transformBox(displayMatrix(page), boundsOf(mark));
    expect([seen.maxX - seen.minX, seen.maxY - seen.minY]).toEqual([
      expect.closeTo(30),
      expect.closeTo(15),
    ]);
    const middle = transform(displayMatrix(page), { x: 200, y: 300 });
    expect((seen.minX + seen.maxX) / 2).toBeCloseTo(middle.x);
    expect((seen.minY + seen.maxY) / 2).toBeCloseTo(middle.y);
    // Its first corner is the left end beneath the baseline: lower on the sheet, where y is larger.
    const [from] = equationCorners(mark).map((corner) => transform(displayMatrix(page), corner));
    expect([from.x, from.y]).toEqual([expect.closeTo(seen.minX), expect.closeTo(seen.maxY)]);
    expect(equationSize(mark)).toBeCloseTo(10);
  },
);

test('wanted at the edge it is whole on the page', () => {
  const { minX, maxY } = boundsOf(equation(withEquation(PLAIN, { x: 0, y: 600 })));
  expect([minX, maxY]).toEqual([expect.closeTo(0), expect.closeTo(600)]);
});

test('what it says is changed where it stands, and of another size from its left end', () => {
  const state = withEquation();
  const before = equation(state);
  const wide = { ...OUTLINE, width: 5 };
  const changed = equation(
    done(state, changeEquation(state, 'e', { tex: 'a+b+c', outline: wide, size: 10 })),
  );
  expect([changed.tex, changed.outline, changed.place]).toEqual(['a+b+c', wide, before.place]);
  const asked = { tex: 'a+b', outline: wide, size: 20 };
  const larger = equation(done(state, changeEquation(state, 'e', asked)));
  // As it was set when it was typed.
  expect(larger.outline).toEqual(OUTLINE);
  expect(equationSize(larger)).toBeCloseTo(20);
  const origin = { x: 0, y: 0 };
  expect(transform(larger.place, origin)).toEqual(transform(before.place, origin));
  expect(changeEquation(state, 'e', { tex: 'a+b', outline: OUTLINE, size: 10 })).toBeNull();
  expect(changeEquation(state, 'x', { tex: 'a', outline: OUTLINE, size: 10 })).toBeNull();
});

test('it is carried, inked anew and stored; what has an ink of its own keeps it', () => {
  const state = withEquation();
  const moved = equation(done(state, carryMarks(state, ['e'], [2, 0, 0, 2, 10, 20], 'Move')));
  expect(equationSize(moved)).toBeCloseTo(20);
  const red = kindFor(moved).restyle(moved, { style: { colour: '#0f7566' } });
  const [group] = kindFor(red).draw(red);
  const colours =
    group.is === 'group' && group.items.map((item) => item.is === 'fill' && item.paint.colour);
  expect(colours).toEqual(['#0f7566', '#c22f17']);
  expect(fromMarkRecord(JSON.parse(JSON.stringify(toMarkRecord(red))))).toEqual(red);
  expect(() =>
    fromMarkRecord({
      ...toMarkRecord(red),
      outline: { ...OUTLINE, pieces: [{ verbs: 'ML', coords: [] }] },
    }),
  ).toThrow('damaged');
});

test('a copy says its TeX to whoever does not see it', async () => {
  const { bytes } = await makeFixedCopy(await plainPdf(), withEquation());
  const said = [...'a+b'].map((c) => c.charCodeAt(0).toString(16).padStart(4, '0')).join('');
  expect(await everythingIn(bytes)).toMatch(
    new RegExp(`/Span <</Alt <FEFF${said}>>> BDC[^]*EMC`, 'i'),
  );
});
