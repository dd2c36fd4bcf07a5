import { done, markOf, pageRefsFor } from '../../testing/marks.ts';
import { SETTLING, YELLOW } from '../../testing/settling.ts';
import { emptyDocument, type DocState, marksOn } from '../document/index.ts';
import { moveBy, plainPage } from '../geometry/index.ts';
import { asWords, fromMarkRecord, kindFor, textOfStrips, toMarkRecord } from '../kinds/index.ts';
import { findInPrint } from '../print/index.ts';
import { carryMarks, moveToPage } from './carry.ts';
import { copyMarks, duplicateMarks } from './clip.ts';
import { markWords, type WordMarking } from './markWords.ts';
import { restyleMarks } from './restyle.ts';
import { startRubbing } from './rubbing.ts';

const print = SETTLING;
const start = emptyDocument(pageRefsFor([plainPage(400, 800)]));

let count = 0;
function marked(state: DocState, text: string, more: Partial<WordMarking> = {}): DocState {
  const [range] = findInPrint(print, text);
  const marking = { id: `m${count++}`, page: 'p0', marker: YELLOW, print, range, madeAt: 5 };
  return done(state, markWords(state, { ...marking, ...more }));
}
const texts = (state: DocState): string[] =>
  [...marksOn(state, 'p0').values()].map((mark) => textOfStrips(asWords(mark)?.strips ?? []));

test('a mark on words knows what they say, line by line, and what stands around them', () => {
  const state = marked(start, 'where others have');
  const [mark] = marksOn(state, 'p0').values();
  expect(texts(state)).toEqual(['where others have']);
  expect(asWords(mark)).toMatchObject({
    before: 'Barnacles settle ',
    after: ' settled, on rocks that stay wet',
  });
  expect(asWords(mark)?.strips).toHaveLength(2);
  expect(kindFor(mark).words(mark)).toMatchObject({
    name: 'Text highlight',
    text: 'where others have',
  });
  expect(fromMarkRecord(JSON.parse(JSON.stringify(toMarkRecord(mark))))).toEqual(mark);
});

test('marks of one manner and ink that touch or lie side by side become one', () => {
  const two = marked(marked(start, 'Barnacles'), 'others');
  expect(texts(two)).toEqual(['Barnacles', 'others']);
  expect(texts(marked(two, 'settle where'))).toEqual(['Barnacles settle where others']);
  expect(texts(marked(two, 'where oth-ers have'))).toEqual(['Barnacles', 'where others have']);
});

test('marks of another ink, manner or person stay by themselves', () => {
  const one = marked(start, 'settle where');
  for (const more of [
    { marker: { ...YELLOW, colour: '#ff9dad' } },
    { marker: { ...YELLOW, manner: 'underline' } },
    { author: 'A. Tutor' },
  ] as const)
    expect(texts(marked(one, 'where others', more))).toEqual(['settle where', 'where others']);
});

test('what is marked so already is no change', () => {
  const state = marked(start, 'have settled, on');
  const [range] = findInPrint(print, 'settled');
  const again = { id: 'x', page: 'p0', marker: YELLOW, print, range, madeAt: 9 };
  expect(markWords(state, again)).toBeNull();
});

test('a rubber takes words, and what is left is one mark still', () => {
  const state = marked(start, 'have settled, on rocks');
  const [{ id }] = marksOn(state, 'p0').values();
  const rubbing = startRubbing(state, 'p0', 1, { takes: 'part', only: 'everything', colour: '' });
  // Over "settled,": characters are five points wide.
  rubbing.along([{ x: 50 + 5 * 12, y: 691 }]);
  const left = done(state, rubbing.done());
  expect(texts(left)).toEqual(['have on rocks']);
  expect(asWords(markOf(left, id))?.strips).toHaveLength(2);
  const whole = startRubbing(state, 'p0', 1, { takes: 'whole', only: 'highlighter', colour: '' });
  whole.along([{ x: 50 + 5 * 12, y: 691 }]);
  expect(texts(done(state, whole.done()))).toEqual([]);
});

test('a highlight becomes an underline, and back; it then lies over the page', () => {
  const state = marked(start, 'rocks that stay');
  const [{ id }] = marksOn(state, 'p0').values();
  const lined = done(state, restyleMarks(state, [id], { manner: 'underline' }));
  const mark = markOf(lined, id);
  expect([kindFor(mark).plane(mark), kindFor(mark).words(mark).name]).toEqual([
    'over',
    'Underline',
  ]);
  for (const manner of ['squiggle', 'strike'] as const) {
    const other = markOf(done(state, restyleMarks(state, [id], { manner })), id);
    expect(kindFor(other).draw(other)[0]).toMatchObject({ is: 'fill' });
  }
  expect(markOf(done(lined, restyleMarks(lined, [id], { manner: 'highlight' })), id)).toEqual(
    markOf(state, id),
  );
});

test('what is on words stays where they are: it is not moved, copied or duplicated', () => {
  const state = marked(start, 'settle where');
  const [{ id }] = marksOn(state, 'p0').values();
  expect(carryMarks(state, [id], moveBy({ x: 9, y: 0 }), 'Move')).toBeNull();
  expect(duplicateMarks(state, [id], { x: 9, y: 9 }, () => 'x')).toBeNull();
  expect(copyMarks(state, [id])).toBeNull();
  expect(moveToPage(state, [id], 'p0', { x: 9, y: 9 })).toBeNull();
});
