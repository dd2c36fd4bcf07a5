import fc from 'fast-check';
import { shippedFonts } from '../../testing/faces.ts';
import { hangOf } from './lists.ts';
import { setBlock } from './setBlock.ts';
import type { LetterStyle, Span, TextBlock } from './textBlock.ts';

const fonts = shippedFonts();
const STYLE: LetterStyle = {
  family: 'sans',
  size: 10,
  bold: false,
  italic: false,
  underline: false,
  colour: '#1b2a4a',
};
const blockOf = (spans: readonly Span[], change: Partial<TextBlock> = {}): TextBlock => ({
  spans,
  width: 120,
  align: 'start',
  leading: 1.25,
  ...change,
});
const plain = (text: string, change: Partial<TextBlock> = {}) =>
  blockOf([{ text, style: STYLE }], change);
const LONG = 'Mussels hold on with threads, barnacles with cement, limpets with a foot.';

test('each paragraph of a list begins behind what marks it, and its further lines under its first', () => {
  const block = plain(`${LONG}\n\nCrabs hide.`, { list: 'numbers' });
  const { lines, height } = setBlock(block, fonts);
  const said = lines.map(({ runs }) => runs.map(({ text }) => text));
  expect(said[0][0]).toBe('1.');
  expect(said.at(-1)?.[0]).toBe('2.');
  expect(said.flat().filter((text) => /^\d\.$/.test(text))).toEqual(['1.', '2.']);
  const hang = hangOf(block);
  lines.forEach(({ runs, width }) => {
    const [first, second] = runs.map(({ place }) => place[4]);
    if (runs.length === 0) return;
    expect(/^\d\.$/.test(runs[0].text) ? second : first).toBeCloseTo(hang, 1);
    expect(width).toBeLessThanOrEqual(120 - hang);
  });
  expect(height).toBeCloseTo(lines.length * 12.5, 5);
  // Which units stand on a line counts from the head of the whole text.
  const { from, to } = lines[lines.length - 1];
  expect(`${LONG}\n\nCrabs hide.`.slice(from, to)).toBe('Crabs hide.');
});

test('in a text from right to left the bullet stands at the right; looks of spans are kept', () => {
  const bold = { ...STYLE, bold: true };
  const { lines } = setBlock(
    blockOf(
      [
        { text: 'مد\none ', style: STYLE },
        { text: 'two', style: bold },
      ],
      { list: 'bullets' },
    ),
    fonts,
  );
  const [arabic, latin] = lines;
  expect(arabic.runs.at(-1)?.text).toBe('•');
  expect(arabic.runs.at(-1)?.place[4]).toBeGreaterThan(108);
  expect(latin.runs.map(({ text, span }) => [text, span])).toEqual([
    ['•', 0],
    ['one ', 0],
    ['two', 1],
  ]);
});

test('letters shrink until the box keeps its height, no more than that takes, and not where there is room', () => {
  expect(setBlock(plain('Short.', { fit: 40 }), fonts)).toMatchObject({ scale: 1, height: 40 });
  fc.assert(
    fc.property(
      fc.integer({ min: 2, max: 12 }),
      fc.double({ min: 14, max: 60, noNaN: true }),
      (times, fit) => {
        const block = plain(LONG.repeat(times), { fit });
        const set = setBlock(block, fonts);
        expect(set.height).toBe(fit);
        const last = set.lines[set.lines.length - 1];
        if (set.scale > 0.11) expect(last.baseline).toBeLessThan(fit);
        const larger = blockOf([
          { text: LONG.repeat(times), style: { ...STYLE, size: 10 * (set.scale + 0.02) } },
        ]);
        if (set.scale < 0.98) expect(setBlock(larger, fonts).height).toBeGreaterThan(fit);
      },
    ),
    { numRuns: 20 },
  );
});
