import fc from 'fast-check';
import { shippedFonts } from '../../testing/faces.ts';
import { setDrawing } from '../drawing/index.ts';
import type { EquationOutline } from '../equations/index.ts';
import { setBlock } from './setBlock.ts';
import type { LetterStyle, TextBlock } from './textBlock.ts';

const fonts = shippedFonts();
const STYLE: LetterStyle = {
  ...{ family: 'sans', size: 10, bold: false, italic: false, underline: false },
  colour: '#1b2a4a',
} as const;
const outline = (width: number, ascent: number, descent: number): EquationOutline => ({
  ...{ width, ascent, descent },
  pieces: [{ verbs: 'MLLZ', coords: [0, 0, 10_000, 0, 0, 10_000] }],
});
const blockOf = (text: string, change: Partial<TextBlock> = {}): TextBlock => ({
  ...{ spans: [{ text, style: STYLE }], width: 200, align: 'start', leading: 1.25 },
  equations: [{ tex: 'x^2', outline: outline(3, 2, 1) }],
  ...change,
});

test('an equation stands in its line as one piece, and the line is as high as it is', () => {
  const text = 'So $x^2$ grows, and $5 stays.';
  const { lines, height } = setBlock(blockOf(text), fonts);
  const [{ runs, baseline }] = lines;
  const equation = runs.find((run) => run.equation);
  expect(equation).toMatchObject({ text: '$x^2$', glyphs: [], size: 10, width: 30, span: 0 });
  const after = runs[runs.indexOf(equation ?? runs[0]) + 1];
  expect(after.place[4]).toBeCloseTo((equation?.place[4] ?? 0) + 30, 1);
  expect(runs.map((run) => run.text).join('')).toBe(text);
  expect(baseline).toBeGreaterThan(20);
  expect(height).toBeGreaterThan(30);
  expect(setBlock(blockOf(text, { equations: [] }), fonts).height).toBeCloseTo(12.5);
});

test('it goes to the next line as a word does, is never cut, and shrinks where no line has room', () => {
  const narrow = setBlock(blockOf('Mussels $x^2$', { width: 45 }), fonts);
  expect(narrow.lines.map(({ runs }) => runs.map(({ text }) => text).join(''))).toEqual([
    'Mussels',
    '$x^2$',
  ]);
  const tiny = setBlock(blockOf('$x^2$', { width: 15 }), fonts);
  expect(tiny.lines[0].runs[0]).toMatchObject({ width: 15, size: 5 });
});

test('in a list, and after other spans, it has the ink of its own span', () => {
  const red = { ...STYLE, colour: '#c22f17' };
  const block = blockOf('', {
    spans: [
      { text: 'One\nTwo ', style: STYLE },
      { text: 'is $x^2$', style: red },
    ],
    list: 'numbers',
  });
  const set = setBlock(block, fonts);
  const run = set.lines[1].runs.find(({ equation }) => equation);
  expect(run?.span).toBe(1);
  const [item] = setDrawing(
    [{ is: 'text', block, place: [1, 0, 0, 1, 0, 0], width: 200, height: 50, opacity: 0.5 }],
    () => set,
  ).filter(({ is }) => is === 'group');
  expect(item).toMatchObject({
    says: '$x^2$',
    opacity: 0.5,
    items: [{ is: 'fill', paint: { colour: '#c22f17', opacity: 1 } }],
  });
});

test('whatever stands around equations, every unit of the text is on some line, once', () => {
  const part = fc.constantFrom('$x^2$', '$y$', ' ', 'a', 'word', '\n', 'ب', '$', '5');
  fc.assert(
    fc.property(fc.array(part, { maxLength: 20 }), fc.constantFrom(20, 60, 400), (parts, width) => {
      const text = parts.join('');
      const { lines } = setBlock(blockOf(text, { width }), fonts);
      const said = lines.map(({ runs }) =>
        [...runs.map((run) => run.text).join('')].sort().join(''),
      );
      const bare = (all: string): string => [...all.replace(/\s/g, '')].sort().join('');
      expect(bare(said.join(''))).toBe(bare(text));
      for (const line of lines) expect(line.width).toBeLessThanOrEqual(width + 10);
    }),
  );
});
