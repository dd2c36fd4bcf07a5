import fc from 'fast-check';
import { shippedFonts } from '../../testing/faces.ts';
import { pathBounds } from '../geometry/index.ts';
import type { Face } from './face.ts';
import type { FaceName } from './faces.ts';
import { facesFor } from './chooseFaces.ts';
import type { GlyphRun } from './glyphRun.ts';
import { openFace } from './openFace.ts';
import { placeText, setText, type TextStyle } from './setText.ts';

const fonts = shippedFonts();
function shippedFace(name: FaceName): Face {
  const face = fonts.face(name);
  if (!face) throw new Error(`There is no ${name}.`);
  return face;
}
const SANS: TextStyle = { face: 'sans', size: 10 };
const set = (text: string, width = Infinity, style: Partial<TextStyle> = {}) =>
  setText(text, { ...SANS, ...style }, width, fonts);
const runsOf = (text: string): readonly GlyphRun[] => set(text).lines[0].runs;

test('letters are kerned and joined as the face says', () => {
  const apart = set('A').width + set('V').width;
  expect(set('AV').width).toBeLessThan(apart - 0.1);
  const joined = setText('efficient', { face: 'serif', size: 10 }, Infinity, fonts).lines[0]
    .runs[0];
  expect(joined.glyphs.length).toBeLessThan('efficient'.length);
  expect(joined.glyphs.map(({ text }) => text).join('')).toBe('efficient');
});

test('a mark stands over its letter, whether they are one character or two', () => {
  const [one] = runsOf('é');
  const [two] = runsOf('e\u0301');
  expect(two.width).toBeCloseTo(one.width, 5);
  const [unusual] = runsOf('x\u0323\u0301');
  expect(unusual.glyphs).toHaveLength(3);
  const [letter, ...marks] = unusual.glyphs.map(({ id, x, y }) => {
    const b = pathBounds(shippedFace(unusual.face).outlineOf(id));
    return { left: x + 10 * b.minX, right: x + 10 * b.maxX, low: y + 10 * b.minY };
  });
  for (const { left, right } of marks) {
    expect(left).toBeGreaterThan(letter.left - 1);
    expect(right).toBeLessThan(letter.right + 1);
  }
  const [below, above] = marks;
  expect(below.low).toBeLessThan(letter.low - 0.5);
  expect(above.low).toBeGreaterThan(letter.low + 4);
});

test('lines are no wider than asked, and no letter is lost', () => {
  const word = fc.stringMatching(/^[a-z]{1,12}$/);
  fc.assert(
    fc.property(
      fc.array(word, { minLength: 1, maxLength: 30 }),
      fc.double({ min: 140, max: 400, noNaN: true }),
      (words, width) => {
        const text = words.join(' ');
        const { lines, height, missing } = set(text, width);
        const said = lines.map(({ from, to }) => text.slice(from, to));
        expect(said.join(' ')).toBe(text);
        for (const line of lines) expect(line.width).toBeLessThanOrEqual(width + 0.01);
        // Nothing that fits above stands below.
        for (let i = 1; i < lines.length; i++) {
          const [next] = said[i].split(' ');
          expect(set(`${said[i - 1]} ${next}`).width).toBeGreaterThan(width - 1);
        }
        expect(height).toBeCloseTo(lines.length * 13, 5);
        expect(missing).toEqual([]);
      },
    ),
  );
});

test('a word that is wider than a line is cut between two letters, with their marks', () => {
  const lines = (text: string, width: number): string[] =>
    set(text, width).lines.map(({ from, to }) => text.slice(from, to));
  fc.assert(
    fc.property(
      fc.stringMatching(/^([a-z]\u0301?){1,200}$/),
      fc.double({ min: 5, max: 120, noNaN: true }),
      (word, width) => {
        const parts = lines(word, width);
        expect(parts.join('')).toBe(word);
        for (const part of parts) expect(part).not.toMatch(/^\u0301/);
      },
    ),
    { numRuns: 30 },
  );
  expect(lines('a mmmmmmmmmm b', 60)).toEqual(['a', 'mmmmmmm', 'mmm b']);
});

test('the first line begins further in, and the others do not', () => {
  const text = 'limpets graze on the film of algae that covers the rock';
  const { lines } = set(text, 120, { indent: 50 });
  expect(lines[0].runs[0].place[4]).toBe(50);
  expect(lines[0].width).toBeLessThanOrEqual(70);
  expect(lines[1].runs[0].place[4]).toBe(0);
  expect(lines.map(({ from, to }) => text.slice(from, to)).join(' ')).toBe(text);
  const [hebrew] = set('שלום', 120, { indent: 50 }).lines;
  expect(hebrew.runs[0].place[4] + hebrew.width).toBeCloseTo(70, 1);
});

test('paragraphs begin a line; an empty one is a line of nothing', () => {
  const lines = (text: string): string[] =>
    set(text, 500).lines.map(({ from, to }) => text.slice(from, to));
  expect(lines('one\ntwo')).toEqual(['one', 'two']);
  expect(lines('one\n\ntwo\n')).toEqual(['one', '', 'two', '']);
  expect(lines('')).toEqual(['']);
});

test('what is read from the right stands from the right, and numbers in it from the left', () => {
  const [hebrew] = set('שלום').lines;
  expect(hebrew.runs[0]).toMatchObject({ face: 'hebrew', rightToLeft: true });
  // The first letter said is the last glyph from the left.
  expect(hebrew.runs[0].glyphs.at(-1)?.text).toBe('ש');
  const mixed = runsOf('pool שלום 12 end');
  expect(mixed.map(({ text }) => text.trim()).filter(Boolean)).toEqual([
    'pool',
    '12',
    'שלום',
    'end',
  ]);
  const lefts = mixed.map(({ place }) => place[4]);
  expect(lefts).toEqual([...lefts].sort((a, b) => a - b));
});

test('a paragraph that is read from the right ends at the left, and stands at the right', () => {
  const { lines } = set('שלום', 200);
  expect(lines[0].runs[0].place[4]).toBeCloseTo(200 - lines[0].width, 1);
  expect(set('tide', 200).lines[0].runs[0].place[4]).toBe(0);
  expect(set('tide', 200, { align: 'end' }).lines[0].runs[0].place[4]).toBeGreaterThan(150);
  expect(set('tide', 200, { direction: 'rtl' }).lines[0].runs[0].place[4]).toBeGreaterThan(150);
});

test('Arabic letters join, and Devanagari makes its syllables', () => {
  const alone = set('ب').lines[0].runs[0].glyphs[0].id;
  const [arabic] = runsOf('ببب');
  expect(new Set(arabic.glyphs.map(({ id }) => id)).size).toBeGreaterThan(1);
  expect(arabic.glyphs.some(({ id }) => id !== alone)).toBe(true);
  const [syllable] = runsOf('क्षि');
  expect(syllable.face).toBe('devanagari');
  expect(syllable.glyphs.length).toBeLessThan('क्षि'.length);
});

test('the faces a text needs are known before it is set; what none has is told', () => {
  expect(facesFor('tide', 'hand')).toEqual(['hand']);
  expect(facesFor('tide שלום مد ज्वार Ωμέγα', 'sans')).toEqual([
    'sans',
    'hebrew',
    'arabic',
    'devanagari',
    'serif',
  ]);
  expect(set('tide 漢').missing).toEqual(['漢']);
  expect(set('Łódź – žluťoučký kůň').missing).toEqual([]);
});

test('text is carried to its place as one, its numbers on the grid', () => {
  const text = set('One line\nand another', 300);
  const runs = placeText(text, [1, 0, 0, 1, 100, 700]);
  expect(runs[0].place[5]).toBeCloseTo(700 - text.lines[0].baseline, 5);
  for (const run of runs)
    for (const { x, y } of run.glyphs)
      for (const n of [x, y, run.place[4]])
        expect(Math.abs(n * 100 - Math.round(n * 100))).toBeLessThan(1e-6);
});

test('bytes that are no font are refused', () => {
  expect(() => openFace('sans', new Uint8Array([1, 2, 3]))).toThrow('cannot be read');
});

test('letters stand in the middle of their cells, as many to a line as there are cells', () => {
  const { lines } = set('MiLe\u0301x\u0323 Wi', 60, { cell: 12 });
  expect(lines.map(({ runs }) => runs.map(({ text }) => text).join(''))).toEqual([
    'MiLe\u0301x\u0323',
    'Wi',
  ]);
  const [{ runs }] = lines;
  const middles = runs.flatMap((run) =>
    run.glyphs
      .filter(({ text }) => !/^\p{M}/u.test(text))
      .map(({ id, x }) => {
        const b = pathBounds(shippedFace(run.face).outlineOf(id));
        return run.place[4] + x + 5 * (b.minX + b.maxX);
      }),
  );
  expect(middles).toHaveLength(5);
  middles.forEach((x, k) => expect(Math.abs(x - (12 * k + 6))).toBeLessThan(0.8));
  // From the right where one reads so, and letters that join elsewhere stand alone.
  const [arabic] = set('مد', 60, { cell: 12 }).lines;
  const { glyphs, place } = arabic.runs[0];
  expect(glyphs).toHaveLength(2);
  expect(place[4]).toBeCloseTo(36, 1);
  expect(set('', 60, { cell: 12 }).lines).toHaveLength(1);
});
