import { done, lineOn, pageRefsFor, written } from '../../testing/marks.ts';
import { rawPrint } from '../../testing/print.ts';
import { layersOf } from '../derived/index.ts';
import { fromPartRecord, toPartRecord } from '../document/index.ts';
import { plainPage } from '../geometry/index.ts';
import { kindFor } from '../kinds/index.ts';
import { findInPrint, quadsOf, readPrint, textBeneath } from '../print/index.ts';
import { redact } from './redactions.ts';

const print = readPrint(
  rawPrint([
    { text: 'Limpets graze at night', x: 40, y: 300 },
    { text: 'and are home by noon.', x: 40, y: 286 },
  ]),
);
const over = (term: string) => findInPrint(print, term).flatMap((range) => quadsOf(print, range));
const bar = (id: string, term: string) => ({
  ...{ id, page: 'p0', quads: over(term), says: textBeneath(print, over(term)), madeAt: 1 },
});

test('words beneath bars are told, line by line; of words that lie beneath in part the letters that do', () => {
  expect(textBeneath(print, over('graze at'))).toBe('graze at');
  expect(textBeneath(print, [...over('night'), ...over('and are')])).toBe('night\nand are');
  const [[head, end, foot, footEnd]] = over('Limpets');
  const half = (a: typeof head, b: typeof head) => ({ x: (a.x + b.x) / 2, y: a.y });
  const said = textBeneath(print, [[head, half(head, end), foot, half(foot, footEnd)]]);
  expect('Limpets'.startsWith(said)).toBe(true);
  expect(said.length).toBeGreaterThan(1);
  expect(said.length).toBeLessThan(7);
});

test('bars lie above what was put on the page after them, in one step, and are kept as they are', () => {
  const pages = pageRefsFor([plainPage(300, 400)]);
  const barred = done(
    written(pages, []),
    redact(written(pages, []), [bar('a', 'graze'), bar('b', 'noon')]),
  );
  const on = barred.marks.get('p0');
  expect([...(on?.values() ?? [])].map(({ order }) => order)).toEqual([1, 2]);
  const [first] = [...(on?.values() ?? [])];
  expect(fromPartRecord('mark', toPartRecord('mark', first))).toEqual(first);
  const later = written(pages, [lineOn(0, 'ink')])
    .marks.get('p0')
    ?.get('ink');
  if (!on || !later) throw new Error('The stroke is not there.');
  const { over: drawn } = layersOf(new Map([...on, ['ink', { ...later, order: 5 }]]));
  const colours = drawn.map((item) => item.is === 'fill' && item.paint.colour);
  expect(colours.slice(-2)).toEqual(['#000000', '#000000']);
  expect(colours).toHaveLength(3);
});

test('a bar in a copy says nothing of what it hid, and cannot be made one that hides nothing', () => {
  const pages = pageRefsFor([plainPage(300, 400)]);
  const state = done(written(pages, []), redact(written(pages, []), [bar('a', 'graze')]));
  const mark = state.marks.get('p0')?.get('a');
  if (!mark) throw new Error('The bar is not there.');
  const kind = kindFor(mark);
  expect(kind.words(mark).text).toBe('graze');
  expect(kind.inCopy && kind.words(kind.inCopy(mark)).text).toBe('');
  expect(kind.restyle(mark, { style: { opacity: 0.1, colour: '#ffffff' } })).toEqual(mark);
});
