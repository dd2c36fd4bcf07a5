import fc from 'fast-check';
import {
  lettersFor,
  lettersOfLine,
  placedLetters,
  type PrintedLetter,
  printedLettersShape,
} from './printedLetters.ts';

const SQUARE = { verbs: 'MLLZ', coords: [0, 0, 500, 0, 500, 500] };
const letter = (char: string, advance: number): PrintedLetter => ({
  ...{ char, advance, outline: SQUARE },
});
const LETTERS = [letter('a', 500), letter('b', 600), letter('c', 400)];

test('a text takes each of its letters once, or none where one is not there', () => {
  expect(lettersFor('abba', LETTERS)?.map(({ char }) => char)).toEqual(['a', 'b']);
  expect(lettersFor('abd', LETTERS)).toBeNull();
});

test('letters stand one after the other', () => {
  const { placed, width } = placedLetters('abc', LETTERS);
  expect(placed.map(({ x }) => x)).toEqual([0, 0.5, 1.1]);
  expect(width).toBeCloseTo(1.5);
});

test('the spaces of a line are as wide as it was drawn apart', () => {
  // 10 points: letters take 16, two spaces the rest.
  const own = lettersOfLine(LETTERS, 'a b a', 10, 22);
  expect(own?.find(({ char }) => char === ' ')?.advance).toBe(300);
  expect(placedLetters('a b a', own ?? []).width).toBeCloseTo(2.2);
});

test('letters that would make the line another length are not its own', () => {
  expect(lettersOfLine(LETTERS, 'abc', 10, 15)).not.toBeNull();
  expect(lettersOfLine(LETTERS, 'abc', 10, 20)).toBeNull();
  expect(lettersOfLine(LETTERS, 'a b a', 10, 17)).toBeNull();
  expect(lettersOfLine(LETTERS, 'a b a', 10, 60)).toBeNull();
  expect(lettersOfLine(LETTERS, 'a b d', 10, 22)).toBeNull();
  expect(lettersOfLine(LETTERS, ' ', 10, 22)).toBeNull();
});

test('whatever the line, it is as long in its letters as it is printed', () => {
  const words = fc.array(fc.stringMatching(/^[abc]{1,9}$/), { minLength: 2, maxLength: 9 });
  fc.assert(
    fc.property(words, fc.double({ min: 0.2, max: 1, noNaN: true }), (said, space) => {
      const line = said.join(' ');
      const taken = placedLetters(said.join(''), LETTERS).width + space * (said.length - 1);
      const own = lettersOfLine(LETTERS, line, 12, 12 * taken);
      expect(placedLetters(line, own ?? []).width).toBeCloseTo(taken, 1);
    }),
  );
});

test.each([
  ['too few points', { verbs: 'ML', coords: [0, 0] }],
  ['no beginning', { verbs: 'LZ', coords: [0, 0] }],
  ['endless numbers', { verbs: 'M', coords: [1e9, 0] }],
  ['no numbers', { verbs: 'M', coords: ['0', '0'] }],
])('stored letters with %s are refused', (_, outline) => {
  const stored = [{ char: 'a', advance: 500, outline }];
  expect(printedLettersShape.isValidSync(stored, { strict: true })).toBe(false);
  expect(printedLettersShape.isValidSync(LETTERS, { strict: true })).toBe(true);
});
