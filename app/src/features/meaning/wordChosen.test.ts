import { findInPrint, readPrint } from '@marginalis/core/print';
import { column, rawPrint } from '../../../../core/testing/print';
import { wordChosen } from './wordChosen';

const print = readPrint(
  rawPrint(
    column(['“Neap tides,” she said: 1,200 bar-', 'nacles (of Māori name) settled.'], 50, 700),
  ),
);
const chosen = (term: string): string | null => {
  const [range] = findInPrint(print, term);
  return wordChosen([{ page: 'p', print, range }]);
};

test.each([
  ['"Neap tides,"', 'Neap tides'],
  ['barnacles', 'barnacles'],
  ['(of Maori', 'of Māori'],
  ['settled.', 'settled'],
  ['1,200', null],
  ['"Neap tides," she said: 1,200 barnacles', null],
])('of %s what is looked up is %s', (term, word) => {
  expect(chosen(term)).toBe(word);
});

test('what lies on several pages is no word', () => {
  const part = { page: 'p', print, range: findInPrint(print, 'name')[0] };
  expect(wordChosen([part, part])).toBeNull();
  expect(wordChosen([])).toBeNull();
});
