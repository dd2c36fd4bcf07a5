import fc from 'fast-check';
import { column, rawPrint } from '../../testing/print.ts';
import { findInPrint } from './find.ts';
import { quoteOf, textOf } from './quote.ts';
import { readPrint } from './readPrint.ts';

const print = readPrint(
  rawPrint(
    column(
      [
        'The naïve reader’s “barnacle” is no mollusc: barna-',
        'cles are crustaceans, as Straße 5 and well-known',
        'guides say. Well-',
        'known, too: a BARNACLE stays.',
      ],
      50,
      700,
    ),
  ),
);
const found = (term: string, how = {}) =>
  findInPrint(print, term, how).map((range) => textOf(print, range));

test.each([
  ['case and accents do not count', 'NAIVE', ['naïve']],
  ['nor does the shape of quotes', 'reader\'s "barnacle"', ['reader’s “barnacle”']],
  ['a word that a line breaks is whole', 'barnacles', ['barnacles']],
  ['and is found with the others', 'barnacle', ['barnacle', 'barnacle', 'BARNACLE']],
  ['a hyphen at the end of a line may be meant', 'well-known', ['well-known', 'Wellknown']],
  ['it need not be', 'wellknown', ['Wellknown']],
  ['a phrase goes over the end of a line', 'well-known  guides', ['well-known guides']],
  ['letters that are two in capitals', 'strasse', ['Straße']],
  ['what is not there', 'limpet', []],
  ['nothing', '  ', []],
])('%s: %s', (_, term, texts) => {
  expect(found(term)).toEqual(texts);
});

test('exact: case, accents and quotes count', () => {
  expect(found('BARNACLE', { exact: true })).toEqual(['BARNACLE']);
  expect(found('naive', { exact: true })).toEqual([]);
  expect(found('reader’s', { exact: true })).toEqual(['reader’s']);
});

test('whole words only', () => {
  expect(found('barnacle', { wholeWords: true })).toEqual(['barnacle', 'BARNACLE']);
  expect(found('as', { wholeWords: true })).toEqual(['as']);
});

test('a quote has what stands before and after', () => {
  const [range] = findInPrint(print, 'crustaceans');
  expect(quoteOf(print, range)).toEqual({
    exact: 'crustaceans',
    before: ' is no mollusc: barnacles are ',
    after: ', as Straße 5 and well-known gui',
  });
});

test('every word of any page is found where it stands', () => {
  const text = fc.stringMatching(/^[a-zäé]{1,6}( [a-zäé]{1,6}){0,5}$/);
  fc.assert(
    fc.property(fc.array(text, { minLength: 1, maxLength: 6 }), (texts) => {
      const page = readPrint(rawPrint(column(texts, 50, 700)));
      for (const { from, to } of page.words) {
        const ranges = findInPrint(page, page.text.slice(from, to));
        expect(ranges.some((range) => range.from === from && range.to === to)).toBe(true);
      }
    }),
    { numRuns: 60 },
  );
});
