import { done, pageRefsFor, written } from '../../testing/marks.ts';
import { SETTLING, YELLOW } from '../../testing/settling.ts';
import { emptyDocument, marksOn } from '../document/index.ts';
import { plainPage } from '../geometry/index.ts';
import { markWords } from '../editing/index.ts';
import { findInPrint, quadsOf } from '../print/index.ts';
import { wordsKnown } from './wordsKnown.ts';

const pages = pageRefsFor([plainPage(400, 800)]);
const textsOf = (mark: Parameters<typeof wordsKnown>[0]): string[] =>
  wordsKnown(mark, SETTLING).map(({ from, to }) => SETTLING.text.slice(from, to));

test('a mark on words knows them; ink knows those it underlines; ink beside the print none', () => {
  const [range] = findInPrint(SETTLING, 'settle where');
  const marking = { id: 'w', page: 'p0', marker: YELLOW, print: SETTLING, range, madeAt: 5 };
  const start = emptyDocument(pages);
  const [words] = marksOn(done(start, markWords(start, marking)), 'p0').values();
  expect(textsOf(words)).toEqual(['settle where']);

  const [[, , footStart, footEnd]] = quadsOf(SETTLING, range);
  const under = [footStart, footEnd].map(({ x, y }) => ({ x, y: y + 0.5 }));
  const off = under.map(({ x, y }) => ({ x, y: y - 300 }));
  const [line, beside] = marksOn(
    written(pages, [
      { page: 0, path: under },
      { page: 0, path: off },
    ]),
    'p0',
  ).values();
  expect(textsOf(line)).toEqual(['settle where']);
  expect(textsOf(beside)).toEqual([]);
});
