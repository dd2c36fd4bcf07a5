import fc from 'fast-check';
import { done, pageRefsFor } from '../../../testing/marks.ts';
import {
  applyTransaction,
  type DocState,
  emptyDocument,
  findMark,
  fromPartRecord,
  invertTransaction,
  NUMBER_STYLES,
  numberedName,
  type Page,
  spellNumber,
  toPartRecord,
} from '../../document/index.ts';
import { plainPage } from '../../geometry/index.ts';
import { pageNames } from '../../guide/index.ts';
import { asText } from '../../kinds/index.ts';
import { duplicatePages } from './duplicatePages.ts';
import { movePages } from './movePages.ts';
import { numberPages } from './numberPages.ts';
import { numberMark } from './numberMark.ts';
import { keepNumbers, printNumbers, removeNumbers } from './printNumbers.ts';
import { removePages } from './removePages.ts';

const namesOf = (pages: readonly Page[]): string[] => pageNames(pages, () => null);
const start = emptyDocument(pageRefsFor(Array.from({ length: 6 }, () => plainPage(300, 400))));
const roman = done(start, numberPages(start, 'p0', { style: 'roman', prefix: '', first: 1 }));
const numbered = done(roman, numberPages(roman, 'p2', { style: 'digits', prefix: 'A-', first: 1 }));
const said = (state: DocState): (string | undefined)[] =>
  state.pages.map(({ id }) => asText(findMark(state, numberMark(id)))?.block.spans[0].text);
const print = (state: DocState, place: 'foot' | 'footOuter' = 'foot'): DocState => {
  const ids = state.pages.map(({ id }) => id);
  return done(state, printNumbers(state, ids, { place, names: namesOf(state.pages), madeAt: 1 }));
};

test('a numbering begins with a page and goes on until another one does', () => {
  expect(namesOf(numbered.pages)).toEqual(['i', 'ii', 'A-1', 'A-2', 'A-3', 'A-4']);
  const without = done(numbered, numberPages(numbered, 'p2', null));
  expect(namesOf(without.pages)).toEqual(['i', 'ii', 'iii', 'iv', 'v', 'vi']);
  expect(numberPages(start, 'p0', null)).toBeNull();
  const [, , third] = numbered.pages;
  expect(fromPartRecord('page', JSON.parse(JSON.stringify(toPartRecord('page', third))))).toEqual(
    third,
  );
});

test('it is handed on when its page goes, and does not begin twice when that is copied', () => {
  const without = done(numbered, removePages(numbered, ['p0', 'p2']));
  expect(namesOf(without.pages)).toEqual(['i', 'A-1', 'A-2', 'A-3']);
  const twice = done(
    numbered,
    duplicatePages(numbered, ['p2'], () => 'copy'),
  );
  expect(namesOf(twice.pages)).toEqual(['i', 'ii', 'A-1', 'A-2', 'A-3', 'A-4', 'A-5']);
});

test('numbers are printed where they are wanted, once, and taken off again', () => {
  const printed = print(numbered);
  expect(said(printed)).toEqual(['i', 'ii', 'A-1', 'A-2', 'A-3', 'A-4']);
  const outer = print(printed, 'footOuter');
  expect(said(outer)).toEqual(said(printed));
  const [odd, even] = ['p0', 'p1'].map((id) => asText(findMark(outer, numberMark(id))));
  expect([odd?.block.align, even?.block.align]).toEqual(['end', 'start']);
  expect(odd?.at.y).toBeLessThan(60);
  const ids = outer.pages.map(({ id }) => id);
  expect(
    printNumbers(outer, ids, { place: 'footOuter', names: namesOf(outer.pages), madeAt: 1 }),
  ).toBeNull();
  expect(said(done(outer, removeNumbers(outer, ids)))).toEqual(Array(6).fill(undefined));
  expect(removeNumbers(start, ids)).toBeNull();
});

test('printed numbers follow when pages change places; what somebody wrote instead stays', () => {
  const printed = print(start);
  const mark = asText(findMark(printed, numberMark('p5')));
  if (!mark) throw new Error('The number is not there.');
  const [span] = mark.block.spans;
  const own = { ...mark, block: { ...mark.block, spans: [{ ...span, text: 'Last' }] } };
  const changed = done(printed, {
    label: 'Type',
    changes: [{ part: 'mark', id: mark.id, before: mark, after: own }],
  });
  const moved = movePages(changed, ['p5', 'p4'], null);
  const kept = moved && keepNumbers(changed, moved, namesOf);
  const after = done(changed, kept);
  expect(after.pages.map(({ id }) => id)).toEqual(['p4', 'p5', 'p0', 'p1', 'p2', 'p3']);
  expect(said(after)).toEqual(['1', 'Last', '3', '4', '5', '6']);
  const back = kept && applyTransaction(after, invertTransaction(kept));
  expect(back?.ok && said(back.state)).toEqual(['1', '2', '3', '4', '5', 'Last']);
  const turned = { label: 'Nothing of pages', changes: [] };
  expect(keepNumbers(changed, turned, namesOf)).toBe(turned);
});

test('a page that is had twice has a number of its own each time', () => {
  const printed = print(start);
  const twice = duplicatePages(printed, ['p1'], () => 'copy');
  const after = done(printed, twice && keepNumbers(printed, twice, namesOf));
  expect(said(after)).toEqual(['1', '2', '3', '4', '5', '6', '7']);
});

test('numbers are spelled as they are counted', () => {
  const table: readonly (readonly [number, string, string])[] = [
    [1, 'i', 'a'],
    [4, 'iv', 'd'],
    [9, 'ix', 'i'],
    [27, 'xxvii', 'aa'],
    [44, 'xliv', 'rr'],
    [1994, 'mcmxciv', 'r'.repeat(77)],
  ];
  for (const [n, small, letter] of table) {
    expect(spellNumber('roman', n)).toBe(small);
    expect(spellNumber('ROMAN', n)).toBe(small.toUpperCase());
    expect(spellNumber('letters', n)).toBe(letter);
    expect(spellNumber('digits', n)).toBe(String(n));
  }
  fc.assert(
    fc.property(
      fc.constantFrom(...NUMBER_STYLES),
      fc.integer({ min: 1, max: 4000 }),
      fc.integer({ min: 0, max: 900 }),
      (style, first, past) => {
        const name = numberedName({ style, prefix: 'x', first }, past);
        expect(name.startsWith('x')).toBe(true);
        expect(name === 'x').toBe(style === 'none');
      },
    ),
  );
});
