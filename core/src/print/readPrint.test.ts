import fc from 'fast-check';
import { column, rawPrint, type SetLine } from '../../testing/print.ts';
import { bodyOf } from './print.ts';
import { readPrint } from './readPrint.ts';

const read = (lines: readonly SetLine[]) => readPrint(rawPrint(lines));
const words = (lines: readonly SetLine[]): string[] => {
  const { text, words: all } = read(lines);
  return all.map(({ from, to }) => text.slice(from, to));
};
const LEFT = ['Barnacles settle where', 'others have settled, on', 'rocks that stay wet.'];
const RIGHT = ['Their larvae walk about', 'for hours before they', 'cement themselves.'];
const all = (...texts: (readonly string[])[]): string[] => texts.flat().join(' ').split(' ');

test.each([
  ['drawn', {}],
  ['left as room', { bare: true }],
])('words are parted by spaces that are %s', (_, how) => {
  expect(words(column(LEFT, 50, 700, how))).toEqual(all(LEFT));
});

test('two columns are read one after the other, whichever the file draws first', () => {
  const [left, right] = [column(LEFT, 50, 700), column(RIGHT, 320, 700)];
  const rows = left.flatMap((line, k) => [line, right[k]]);
  for (const lines of [[...left, ...right], [...right, ...left], rows])
    expect(words(lines)).toEqual(all(LEFT, RIGHT));
  expect(new Set(read(rows).lines.map((line) => line.column)).size).toBe(2);
});

test('a title over both columns comes first, a foot note across them last', () => {
  const title = {
    text: 'How barnacles choose a rock where they will stay',
    x: 120,
    y: 760,
    size: 18,
  };
  const foot = {
    text: 'Saltmarsh Field Station, notes on the shore, a sheet for the course week',
    x: 60,
    y: 60,
    size: 8,
  };
  const body = [...column(RIGHT, 320, 700), ...column(LEFT, 50, 700)];
  expect(words([foot, ...body, title])).toEqual(all([title.text], LEFT, RIGHT, [foot.text]));
});

test('a running title and a page number stand before and after the text, whatever columns they are over', () => {
  const lines = [
    { text: 'Barnacles', x: 50, y: 780, size: 8 },
    { text: 'page two', x: 400, y: 780, size: 8 },
    ...column(LEFT, 50, 700),
    ...column(RIGHT, 320, 700),
    { text: 'Saltmarsh', x: 50, y: 40, size: 8 },
    { text: '2', x: 400, y: 40, size: 8 },
  ];
  const print = read(lines);
  expect(words(lines)).toEqual(all(['Barnacles', 'page two'], LEFT, RIGHT, ['Saltmarsh', '2']));
  const { from, to } = bodyOf(print);
  expect(print.text.slice(from, to).split(/\s+/)).toEqual(all(LEFT, RIGHT));
});

test('paragraphs that end at one height in both columns do not part the columns', () => {
  const lines = [
    ...column(LEFT, 50, 700),
    ...column(RIGHT, 320, 700),
    ...column(RIGHT, 50, 640),
    ...column(LEFT, 320, 640),
  ];
  expect(words(lines)).toEqual(all(LEFT, RIGHT, RIGHT, LEFT));
});

test('a raised number belongs to its word and its line', () => {
  const line = { text: 'settle on rocks', x: 50, y: 700 };
  const note = { text: '12', x: 50 + 15 * 5, y: 703.5, size: 6 };
  expect(words([line, note, { text: 'and stay', x: 90, y: 688 }])).toEqual([
    'settle',
    'on',
    'rocks12',
    'and',
    'stay',
  ]);
});

test.each([Math.PI / 2, -Math.PI / 2, Math.PI, 0.4])(
  'lines turned by %d are read along their own way',
  (angle) => {
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    const lines = LEFT.map((text, k) => ({
      text,
      x: 300 + 12 * k * s,
      y: 400 - 12 * k * c,
      angle,
      bare: true,
    }));
    const print = read(lines);
    expect(print.words.map(({ from, to }) => print.text.slice(from, to))).toEqual(all(LEFT));
    for (const line of print.lines) expect(line.angle).toBeCloseTo(angle, 1);
  },
);

test('columns written from the top down are read from the right', () => {
  const lines = [
    { text: '潮が引く', x: 300, y: 700, size: 12, down: true },
    { text: '岩の上に', x: 280, y: 700, size: 12, down: true },
  ];
  expect(words(lines)).toEqual(['潮が引く', '岩の上に']);
});

test('what is written from the right is read from there, numbers in it from the left', () => {
  // As it is drawn: from left to right.
  const drawn = [...'שלום 120 בים'].reverse().join('').replace('021', '120');
  expect(words([{ text: drawn, x: 50, y: 700 }])).toEqual(['שלום', '120', 'בים']);
});

test('accents that are drawn by themselves are part of their letter', () => {
  const line = (text: string, x: number) => ({ text, x, y: 700 });
  expect(words([line('Schl', 50), line('¨', 70), line('ogl', 70)])).toEqual(['Schlögl']);
  expect(words([line('nai', 50), line('¨', 60), line('ve', 65)])).toEqual(['naïve']);
});

test('a ligature is the letters it is made of, each with a box', () => {
  const print = read([{ text: 'ﬁnd', x: 50, y: 700 }]);
  expect(print.text).toBe('find');
  expect(print.boxes).toHaveLength(16);
});

test('a word broken at the end of a line goes on in the next one', () => {
  const { lines } = read(column(['they ce-', 'ment them-', 'Selves'], 50, 700));
  expect(lines.map((line) => line.breaks)).toEqual([true, false, false]);
});

test('nothing printed is nothing', () => {
  expect(read([])).toMatchObject({ text: '', words: [], lines: [] });
});

test('whatever stands wherever, every character is in one word, once, and in its box', () => {
  const line = fc.record({
    text: fc.stringMatching(/^[a-z]{1,8}( [a-z]{1,8}){0,3}$/),
    x: fc.integer({ min: 0, max: 500 }),
    y: fc.integer({ min: 0, max: 800 }),
    size: fc.integer({ min: 4, max: 40 }),
    angle: fc.constantFrom(0, 0, 0, Math.PI / 2, Math.PI, 0.3),
  });
  fc.assert(
    fc.property(fc.array(line, { maxLength: 12 }), (lines) => {
      const raw = rawPrint(lines);
      const print = readPrint(raw);
      const letters = (text: string): string =>
        [...text]
          .filter((c) => c.trim())
          .sort()
          .join('');
      expect(letters(print.text)).toBe(letters(String.fromCodePoint(...raw.codes)));
      expect(print.boxes).toHaveLength(4 * print.text.length);
      let last = 0;
      for (const { from, to, box, line: on } of print.words) {
        expect(from).toBeGreaterThanOrEqual(last);
        expect(print.text.slice(from, to)).toMatch(/^\S+$/);
        expect(print.lines[on].from <= from && print.lines[on].to >= to).toBe(true);
        for (let k = from; k < to; k++) {
          expect(print.boxes[4 * k]).toBeGreaterThanOrEqual(box.minX);
          expect(print.boxes[4 * k + 2]).toBeLessThanOrEqual(box.maxX);
        }
        last = to;
      }
    }),
    { numRuns: 200 },
  );
});

test('a heading in a face of its own is no part of the text right beneath it', () => {
  const heading = { text: 'A decision made once', x: 50, y: 712, size: 10.5, face: 2 };
  const blocks = read([heading, ...column(LEFT, 50, 700)]).lines.map((line) => line.block);
  expect(blocks).toEqual([0, 1, 1, 1]);
});

test('Arabic letters that do not join leave room within a word, where spaces are drawn', () => {
  // As they are seen from the left: the end of a word, room, its first letter, a space, another word.
  const raw = rawPrint([
    { text: 'كل', x: 50, y: 700 },
    { text: 'ذ دعب', x: 63, y: 700 },
  ]);
  expect(readPrint(raw).text).toBe('بعد ذلك');
});

test('a word in capitals is broken at a line’s end as one in small letters is; a name with a hyphen is not', () => {
  const broken = (...lines: string[]): readonly number[] =>
    readPrint(rawPrint(column(lines, 50, 700))).breaks;
  expect(broken('see shell builtin COM-', 'MANDS below')).toHaveLength(1);
  expect(broken('see shell builtin com-', 'mands below')).toHaveLength(1);
  expect(broken('the house of Saint-', 'Malo lies')).toHaveLength(0);
});
