import fc from 'fast-check';
import {
  type EquationOutline,
  isTooMuch,
  outlineShape,
  outlinesInTextShape,
  texIn,
} from './index.ts';
import { insertPart } from './parts.ts';

const part = (tex: string) => ({ name: '', tex });

test('a part comes where the caret stands, and the caret to its first place', () => {
  expect(insertPart({ text: 'a+', from: 2, to: 2 }, part('\\frac{#}{#}'))).toEqual({
    text: 'a+\\frac{}{}',
    from: 8,
    to: 8,
  });
  expect(insertPart({ text: 'ab', from: 1, to: 1 }, part('\\pi '))).toEqual({
    text: 'a\\pi b',
    from: 5,
    to: 5,
  });
});

test('what is selected comes into the first place of a part, and the caret to the next', () => {
  const fraction = insertPart({ text: 'a+b', from: 0, to: 3 }, part('\\frac{#}{#}'));
  expect(fraction).toEqual({ text: '\\frac{a+b}{}', from: 11, to: 11 });
  const root = insertPart({ text: 'x+1', from: 0, to: 1 }, part('\\sqrt{#}'));
  expect(root).toEqual({ text: '\\sqrt{x}+1', from: 8, to: 8 });
});

test('TeX stands between dollar signs', () => {
  const text = 'Area $\\pi r^2$, and $a\\$b$ too.';
  expect(texIn(text).map(({ tex }) => tex)).toEqual(['\\pi r^2', 'a\\$b']);
  expect(texIn(text).map(({ from, to }) => text.slice(from, to))).toEqual([
    '$\\pi r^2$',
    '$a\\$b$',
  ]);
});

test.each([
  'It costs $5 and $6.',
  'From $ 3 to 4$.',
  'One \\$x\\$ sign.',
  '$$',
  '$a\nb$',
  'only $one',
  '$5 is less than $6',
])('what is paid is no TeX: %s', (text) => {
  expect(texIn(text)).toEqual([]);
});

test('what is found in any text is where it is said to be', () => {
  fc.assert(
    fc.property(fc.string({ unit: fc.constantFrom('$', '\\', 'a', ' ', '\n', '1') }), (text) => {
      let last = 0;
      for (const { from, to, tex } of texIn(text)) {
        expect(from).toBeGreaterThanOrEqual(last);
        expect(text.slice(from, to)).toBe(`$${tex}$`);
        last = to;
      }
    }),
  );
});

test.each([
  ['other coordinates than its outlines take', { pieces: [{ verbs: 'ML', coords: [0, 0, 1] }] }],
  ['outlines that begin nowhere', { pieces: [{ verbs: 'L', coords: [0, 0] }] }],
  ['a place beyond the page', { pieces: [{ verbs: 'M', coords: [0, 1e12] }] }],
  ['half a colour', { pieces: [{ verbs: 'M', coords: [0, 0], colour: '#ff' }] }],
  ['no width', { width: NaN }],
])('an outline with %s is none', (_, change) => {
  const good = { width: 1, ascent: 1, descent: 0, pieces: [{ verbs: 'M', coords: [0, 0] }] };
  const read = (one: unknown): unknown => outlineShape.validateSync(one, { strict: true });
  expect(read(good)).toEqual(good);
  expect(() => read({ ...good, ...change })).toThrow();
});

test('a text keeps no more equations than can be read again', () => {
  const outline = (coords: number): EquationOutline => ({
    ...{ width: 1, ascent: 1, descent: 0 },
    pieces: [
      { verbs: `M${'L'.repeat(coords / 2 - 1)}`, coords: Array.from({ length: coords }, () => 0) },
    ],
  });
  const kept = (all: readonly EquationOutline[]): boolean =>
    outlinesInTextShape.isValidSync(
      all.map((one, k) => ({ tex: `x_{${k}}`, outline: one })),
      { strict: true },
    );
  const many = Array.from({ length: 201 }, () => outline(2));
  const large = [outline(120_000), outline(120_000)];
  for (const all of [many, large]) {
    expect([isTooMuch(all), kept(all)]).toEqual([true, false]);
    expect([isTooMuch(all.slice(1)), kept(all.slice(1))]).toEqual([false, true]);
  }
});
