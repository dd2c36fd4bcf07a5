import { column, rawPrint } from '../../testing/print.ts';
import { DocumentText, MOST_HITS } from './documentText.ts';
import { EMPTY_PRINT, type Print } from './print.ts';
import { readPrint } from './readPrint.ts';

const pageOf = (...lines: string[]): Print => readPrint(rawPrint(column(lines, 50, 700)));
const PAGES = [
  pageOf('Tides are made by the moon.', 'The tide turns twice a day.'),
  EMPTY_PRINT,
  pageOf('No word of it here.'),
  pageOf('Spring tide and neap tide.'),
];

function documentOf(pages: readonly Print[]): { text: DocumentText; read: number[] } {
  const read: number[] = [];
  const text = new DocumentText(pages.length, (page) => {
    read.push(page);
    return pages[page];
  });
  return { text, read };
}

test('a search goes through every page, from where one is on', () => {
  const { text } = documentOf(PAGES);
  const found = [...text.search('tide', {}, 2)];
  expect(found.map(({ page }) => page)).toEqual([2, 3, 0, 1]);
  expect(found.map(({ hits }) => hits.length)).toEqual([0, 2, 2, 0]);
  expect(found.map(({ wordless }) => wordless)).toEqual([false, false, false, true]);
});

test('a page is read once, whatever is looked for', () => {
  const { text, read } = documentOf(PAGES);
  for (const term of ['tide', 'moon']) expect([...text.search(term)]).toHaveLength(4);
  text.keep(0, PAGES[2]);
  expect(text.page(0).text).toBe('No word of it here.');
  expect(read).toEqual([0, 1, 2, 3]);
});

test('a hit has what stands around it, and the middle of its line', () => {
  const { text } = documentOf(PAGES);
  const [first] = text.search('turns');
  const [hit] = first.hits;
  expect(hit.quote.exact).toBe('turns');
  expect(hit.quote.before).toMatch(/moon\. The tide $/);
  expect(hit.quote.after).toBe(' twice a day.');
  const { box } = PAGES[0].lines[1];
  expect(hit.at.x).toBeCloseTo((box.minX + box.maxX) / 2, 3);
  expect(hit.at.y).toBeCloseTo((box.minY + box.maxY) / 2, 3);
});

test('hits without end are counted, and the first listed', () => {
  const many = Array.from({ length: 3 }, () => pageOf(...Array<string>(60).fill('a'.repeat(40))));
  const found = [...documentOf(many).text.search('a')];
  const listed = found.reduce((sum, { hits }) => sum + hits.length, 0);
  expect(listed).toBe(MOST_HITS);
  expect(listed + found.reduce((sum, { more }) => sum + more, 0)).toBe(3 * 60 * 40);
});
