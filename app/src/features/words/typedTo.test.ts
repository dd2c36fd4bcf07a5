import type { Page } from '@marginalis/core/document';
import { plainPage } from '@marginalis/core/geometry';
import { EMPTY_PRINT, type Print, readPrint, textOf } from '@marginalis/core/print';
import type { TypedSelection } from '@/session';
import { pageRefsFor } from '../../../../core/testing/marks';
import { column, rawPrint } from '../../../../core/testing/print';
import { wayOf } from './stepped';
import { typedTo } from './typedTo';

const pages = pageRefsFor(Array.from({ length: 3 }, () => plainPage(400, 800)));
const PRINTS: Print[] = [
  readPrint(rawPrint(column(['Tides turn twice', 'each day here'], 50, 700))),
  EMPTY_PRINT,
  readPrint(rawPrint(column(['Neap tides follow'], 50, 700))),
];
const printOf = (page: Page): Print => PRINTS[pages.indexOf(page)];
const at = (page: number, word: string): TypedSelection => {
  const caret = { page, place: PRINTS[page].text.indexOf(word) };
  return { anchor: caret, caret };
};

/** What is selected after keys: capitals with Shift. */
function after(begun: TypedSelection, keys: string): string[] {
  let typed = begun;
  let said: string[] = [];
  for (const key of keys) {
    const name = { l: 'ArrowLeft', r: 'ArrowRight', u: 'ArrowUp', d: 'ArrowDown' }[
      key.toLowerCase()
    ];
    const way = wayOf(name ?? '');
    const next = way && typedTo(pages, printOf, typed, way, key !== key.toLowerCase());
    if (!next) continue;
    typed = next.typed;
    said = next.parts.map(({ print, range }) => textOf(print, range));
  }
  return said;
}

test.each([
  ['r', ['turn']],
  ['rr', ['twice']],
  ['d', ['each']],
  ['du', ['Tides']],
  ['R', ['Tides turn']],
  ['RRL', ['Tides turn']],
  ['rD', ['turn twice each day']],
  ['rrL', ['turn']],
  ['drr', ['here']],
  // Over a page without words onto the next.
  ['drrr', ['Neap']],
  ['drrR', ['here', 'Neap']],
  ['l', []],
])('from the first word, %s selects %j', (keys, said) => {
  expect(after(at(0, 'Tides'), keys)).toEqual(said);
});

test('at the end of the document there is no step on', () => {
  expect(after(at(2, 'follow'), 'r')).toEqual([]);
  expect(wayOf('Home')).toBeNull();
});
