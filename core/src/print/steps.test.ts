import { column, rawPrint } from '../../testing/print.ts';
import { readPrint } from './readPrint.ts';
import { wordNumber, wordOnNextLine } from './steps.ts';

const print = readPrint(
  rawPrint([
    ...column(['Some settle. Others', 'walk on for hours', 'till'], 50, 700),
    { text: 'they stay', x: 320, y: 700 },
  ]),
);
const wordOf = (text: string): number =>
  print.words.findIndex(({ from, to }) => print.text.slice(from, to) === text);
const textOf = (word: number | null): string | null =>
  word === null ? null : print.text.slice(print.words[word].from, print.words[word].to);

test('the word of a place', () => {
  expect(textOf(wordNumber(print, 0))).toBe('Some');
  expect(textOf(wordNumber(print, 6))).toBe('settle.');
  expect(textOf(wordNumber(print, print.text.length))).toBe('stay');
});

test.each([
  ['settle.', 1, 'for'],
  ['Others', 1, 'hours'],
  ['hours', -1, 'Others'],
  ['hours', 1, 'till'],
  ['till', 1, 'they'],
  ['they', -1, 'till'],
  ['Some', -1, null],
  ['stay', 1, null],
] as const)('from “%s” by %d line one comes to %s', (from, by, to) => {
  expect(textOf(wordOnNextLine(print, wordOf(from), by))).toBe(to);
});
