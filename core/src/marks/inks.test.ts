import { inkAfter } from './wordManners.ts';
import { HIGHLIGHTER_INKS, inkName, PEN_INKS } from './inks.ts';
import { FIRST_ROLL, instrumentStyle, WIDTHS_MM } from './instrument.ts';

const channels = (colour: string): number[] =>
  [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16) / 255);

/** Relative luminance and contrast as WCAG 2.2 defines them. */
const luminance = (rgb: readonly number[]): number => {
  const [r, g, b] = rgb.map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4));
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
};
const contrast = (a: readonly number[], b: readonly number[]): number => {
  const [low, high] = [luminance(a), luminance(b)].sort((x, y) => x - y);
  return (high + 0.05) / (low + 0.05);
};
const WHITE = [1, 1, 1];

test('the contrast formula gives the known value for #777 on white', () => {
  expect(contrast(channels('#777777'), WHITE)).toBeCloseTo(4.478089, 5);
});

test('every pen ink can be read on white paper', () => {
  for (const ink of PEN_INKS)
    expect(contrast(channels(ink.colour), WHITE)).toBeGreaterThanOrEqual(4.5);
});

test('black print stays readable under every highlighter, and every pen ink over it', () => {
  for (const light of HIGHLIGHTER_INKS) {
    expect(contrast(channels(light.colour), [0, 0, 0])).toBeGreaterThanOrEqual(7);
    for (const pen of PEN_INKS.slice(0, 2))
      expect(contrast(channels(light.colour), channels(pen.colour))).toBeGreaterThanOrEqual(4.5);
  }
});

test('inks are told apart by name and pattern too', () => {
  for (const inks of [PEN_INKS, HIGHLIGHTER_INKS]) {
    expect(new Set(inks.map((i) => i.name)).size).toBe(inks.length);
    expect(new Set(inks.map((i) => i.pattern)).size).toBe(inks.length);
  }
  expect(inkName(PEN_INKS[2].colour)).toBe('Vermilion red');
  expect(inkName('#123456')).toBe('#123456');
});

test('the first roll holds two pens, two highlighters, a figure pen, an eraser, two pickers, two word markers and what types, in millimetres', () => {
  expect(FIRST_ROLL.map((i) => i.kind)).toEqual([
    'pen',
    'pen',
    'highlighter',
    'highlighter',
    'figure-pen',
    'eraser',
    'picker',
    'word-marker',
    'word-marker',
    'word-picker',
    'text-box',
  ]);
  for (const i of FIRST_ROLL) if ('widthMm' in i) expect(WIDTHS_MM[i.kind]).toContain(i.widthMm);
  expect(instrumentStyle({ ...FIRST_ROLL[0], widthMm: 25.4 }).width).toBeCloseTo(72);
});

test('a mark on words whose manner changes has an ink that is seen', () => {
  const yellow = { colour: '#ffd91f', opacity: 0.5 };
  expect(inkAfter('highlight', 'underline', yellow)).toEqual({ colour: '#1f3361', opacity: 1 });
  expect(inkAfter('underline', 'strike', yellow)).toEqual(yellow);
  expect(inkAfter('squiggle', 'highlight', { colour: '#c22f17', opacity: 1 })).toEqual({
    colour: '#ffd91f',
    opacity: 0.75,
  });
});
