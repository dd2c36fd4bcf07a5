import fc from 'fast-check';
import { alignTokens } from './alignTokens.ts';
import type { Token } from './tokens.ts';

const tokens = (text: string): Token[] =>
  text.split(/\s+/).map((word, k) => ({ text: word, page: 0, words: [k], running: false }));
const aligned = (was: string, is: string): number[] => [...alignTokens(tokens(was), tokens(is))];

const READ =
  'limpets graze the rock at night and come home before the tide turns to the same scar each time';

test('what stays is found where it stands; what has come between moves it on', () => {
  const words = READ.split(' ');
  expect(aligned(READ, READ)).toEqual(words.map((_, k) => k));
  expect(aligned(READ, `on many shores ${READ}`)).toEqual(words.map((_, k) => k + 3));
});

test('a part that has changed its place is found there', () => {
  const other = 'the weed that grows on them is eaten by winkles when the pool is deep enough';
  const map = aligned(`${READ} ${other}`, `${other} ${READ}`);
  const n = other.split(' ').length;
  expect(map.slice(0, 5)).toEqual([n, n + 1, n + 2, n + 3, n + 4]);
  expect(map.slice(-3)).toEqual([n - 3, n - 2, n - 1]);
});

test('a word that was changed is not there, its neighbours are', () => {
  const map = aligned(READ, READ.replace('home', 'back'));
  const home = READ.split(' ').indexOf('home');
  expect(map[home]).toBe(-1);
  expect([map[home - 1], map[home + 1]]).toEqual([home - 1, home + 1]);
});

test('three words that are met by accident elsewhere are no place', () => {
  const was = `${READ} of the shore`;
  const is = `of the shore ${READ}`;
  const map = aligned(was, is);
  const n = READ.split(' ').length;
  expect(map.slice(n)).toEqual([-1, -1, -1]);
});

test('no word is at two places, and what is found reads the same', () => {
  const word = fc.constantFrom('tide', 'pool', 'rock', 'weed', 'crab', 'the', 'of', 'a');
  const text = fc.array(word, { minLength: 1, maxLength: 60 });
  fc.assert(
    fc.property(text, text, (a, b) => {
      const [was, is] = [tokens(a.join(' ')), tokens(b.join(' '))];
      const map = [...alignTokens(was, is)];
      expect(map).toHaveLength(was.length);
      const found = map.filter((k) => k >= 0);
      expect(new Set(found).size).toBe(found.length);
      map.forEach((k, i) => k < 0 || expect(is[k].text).toBe(was[i].text));
    }),
  );
});

test('words that are taken out or put in anywhere leave the others where they are', () => {
  const long = Array.from({ length: 200 }, (_, k) => `w${k}`);
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.nat({ max: 199 }), { maxLength: 30 }),
      fc.uniqueArray(fc.nat({ max: 199 }), { maxLength: 30 }),
      (out, into) => {
        const is: string[] = [];
        const wanted = long.map((word, k) => {
          if (into.includes(k)) is.push(`new${k}`);
          if (out.includes(k)) return -1;
          is.push(word);
          return is.length - 1;
        });
        expect(aligned(long.join(' '), is.join(' '))).toEqual(wanted);
      },
    ),
  );
});
