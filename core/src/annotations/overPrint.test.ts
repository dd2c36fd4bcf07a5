import { rawPrint } from '../../testing/print.ts';
import type { Thread } from '../document/index.ts';
import { asWords, marksOfSketch, textOfStrips } from '../kinds/index.ts';
import { EMPTY_PRINT, type Quad, readPrint } from '../print/index.ts';
import { overPrint, pagesToRead } from './overPrint.ts';

const print = readPrint(
  rawPrint([
    { text: 'Spring tides come twice a month, when the moon', x: 50, y: 700 },
    { text: 'and the sun pull together; neap tides in be-', x: 50, y: 686 },
    { text: 'tween, when they pull against each other.', x: 50, y: 672 },
  ]),
);
/** Over characters of a line, each five points wide. */
const over = (line: number, from: number, to: number): Quad => {
  const [x0, x1, y] = [50 + 5 * from, 50 + 5 * to, 700 - 14 * line];
  const [head, foot] = [y + 9, y - 3];
  return [
    { x: x0, y: head },
    { x: x1, y: head },
    { x: x0, y: foot },
    { x: x1, y: foot },
  ];
};
const marked = (id: string, ...quads: Quad[]) =>
  marksOfSketch(
    { subtype: 'Highlight', quads },
    { id, page: 'p', order: 1, madeAt: 1, style: { colour: '#ffd91f', width: 1, opacity: 1 } },
  );
const said = (mark: string, ...texts: string[]): Thread => ({
  id: `${mark}.thread`,
  mark,
  remarks: texts.map((text, k) => ({
    id: `${mark}.${k}`,
    author: 'Ada',
    text,
    madeAt: k,
    editedAt: null,
  })),
  settled: null,
  tags: [],
});
const found = (...quads: Quad[]) => {
  const { marks } = overPrint({ marks: marked('m', ...quads), threads: [] }, () => print);
  return asWords(marks[0]);
};

test('a highlight of another program knows the words it lies on, and what stands around', () => {
  const mark = found(over(0, 7, 12));
  expect(mark?.strips[0].words).toEqual([
    { text: 'tides', from: expect.closeTo(0), to: expect.closeTo(1) },
  ]);
  expect(mark).toMatchObject({ before: expect.stringContaining('Spring') });
  expect(mark?.after).toMatch(/^ ?come twice/);
});

test('it goes on over a line’s end, and a word that is broken there is whole', () => {
  const mark = found(over(1, 27, 44), over(2, 0, 5));
  expect(mark && textOfStrips(mark.strips)).toBe('neap tides in between');
});

test('words that it covers by part are told by part; one that it only touches is not', () => {
  const mark = found(over(0, 9, 12.4));
  expect(mark && textOfStrips(mark.strips)).toBe('des');
});

test('over no words it stays an area', () => {
  expect(found(over(9, 0, 9))?.strips[0].words).toEqual([]);
  const threads = [said('m', 'Why here?')];
  const empty = overPrint({ marks: marked('m', over(0, 7, 12)), threads }, () => EMPTY_PRINT);
  expect(asWords(empty.marks[0])?.strips[0].words).toEqual([]);
  expect(empty.threads).toEqual(threads);
});

test('what only repeats the words is no note; an answer to it is one', () => {
  const marks = marked('m', over(0, 7, 12));
  const threadsOf = (...texts: string[]) =>
    overPrint({ marks, threads: [said('m', ...texts)] }, () => print).threads;
  expect(threadsOf('Tides ')).toEqual([]);
  expect(threadsOf('tides?')).toHaveLength(1);
  expect(threadsOf('tides', 'Which?')).toHaveLength(1);
});

test('only pages with marks over print are to be read', () => {
  const [ink] = marksOfSketch(
    { subtype: 'Ink', width: 1, lines: [[{ x: 0, y: 0 }]] },
    {
      id: 'i',
      page: 'q',
      order: 1,
      madeAt: 1,
      style: { colour: '#1b1b1d', width: 1, opacity: 1 },
    },
  );
  expect([...pagesToRead([ink, ...marked('m', over(0, 1, 2))])]).toEqual(['p']);
});
