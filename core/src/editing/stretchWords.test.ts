import fc from 'fast-check';
import { done, pageRefsFor } from '../../testing/marks.ts';
import { SETTLING, YELLOW } from '../../testing/settling.ts';
import { emptyDocument, type DocState, marksOn } from '../document/index.ts';
import { plainPage } from '../geometry/index.ts';
import { asWords, textOfStrips, type WordsMark } from '../kinds/index.ts';
import { EMPTY_PRINT, findInPrint, type TextRange } from '../print/index.ts';
import { markWords } from './markWords.ts';
import { startRubbing } from './rubbing.ts';
import { rangeOfWords, stretchWords } from './stretchWords.ts';

const print = SETTLING;

function marked(text: string): DocState {
  const [range] = findInPrint(print, text);
  const start = emptyDocument(pageRefsFor([plainPage(400, 800)]));
  return done(
    start,
    markWords(start, { id: 'm', page: 'p0', marker: YELLOW, print, range, madeAt: 5 }),
  );
}
function wordsMarkOf(state: DocState): WordsMark {
  const mark = asWords(marksOn(state, 'p0').get('m') ?? null);
  if (!mark) throw new Error('It is gone.');
  return mark;
}
const between = (first: string, last: string): TextRange => ({
  from: findInPrint(print, first)[0].from,
  to: findInPrint(print, last)[0].to,
});
const textOf = (state: DocState): string => textOfStrips(wordsMarkOf(state).strips);

test('a mark is found again on the words it was made on', () => {
  const state = marked('where others have');
  expect(rangeOfWords(print, wordsMarkOf(state))).toEqual(between('where', 'have'));
  expect(rangeOfWords(EMPTY_PRINT, wordsMarkOf(state))).toBeNull();
});

test('its ends go on over lines, or come back', () => {
  const state = marked('where others have');
  const longer = done(state, stretchWords(wordsMarkOf(state), print, between('settle', 'rocks')));
  expect(textOf(longer)).toBe('settle where others have settled, on rocks');
  expect(wordsMarkOf(longer)).toMatchObject({ before: 'Barnacles ', after: ' that stay wet.' });
  const shorter = done(longer, stretchWords(wordsMarkOf(longer), print, between('on', 'rocks')));
  expect(textOf(shorter)).toBe('on rocks');
  const elsewhere = done(
    shorter,
    stretchWords(wordsMarkOf(shorter), print, between('stay', 'wet.')),
  );
  expect(textOf(elsewhere)).toBe('stay wet.');
  expect(stretchWords(wordsMarkOf(state), print, between('where', 'have'))).toBeNull();
});

test('what was rubbed out of it between the ends stays rubbed out', () => {
  const state = marked('have settled, on rocks');
  const rubbing = startRubbing(state, 'p0', 1, { takes: 'part', only: 'everything', colour: '' });
  rubbing.along([{ x: 50 + 5 * 12, y: 691 }]);
  const rubbed = done(state, rubbing.done());
  const longer = done(rubbed, stretchWords(wordsMarkOf(rubbed), print, between('where', 'stay')));
  expect(textOf(longer)).toBe('where others have on rocks that stay');
});

test('whatever the ends, the mark says what is printed between them', () => {
  const { words } = print;
  const word = fc.nat({ max: words.length - 1 });
  fc.assert(
    fc.property(word, word, (a, b) => {
      const ends = { from: words[Math.min(a, b)].from, to: words[Math.max(a, b)].to };
      const state = marked('where others have');
      const transaction = stretchWords(wordsMarkOf(state), print, ends);
      const next = transaction ? done(state, transaction) : state;
      expect(rangeOfWords(print, wordsMarkOf(next))).toEqual(ends);
    }),
  );
});
