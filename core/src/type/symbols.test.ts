import { shippedFonts } from '../../testing/faces.ts';
import { facesFor, fallbacksFor } from './chooseFaces.ts';
import { setText } from './setText.ts';
import { shortcutBefore, SYMBOL_GROUPS } from './symbols.ts';

/** A text after each of its letters was typed. */
function typed(keys: string): string {
  let text = '';
  for (const key of keys) {
    text += key;
    const found = shortcutBefore(text, text.length);
    if (found) text = text.slice(0, found.from) + found.sign + text.slice(found.to);
  }
  return text;
}

test('names after a backslash, and signs drawn with keys, become the sign', () => {
  expect(typed('\\alpha + \\beta.')).toBe('α + β.');
  expect(typed('a -> b <-> c <= d <=> e != f ...')).toBe('a → b ↔ c ≤ d ⇔ e ≠ f …');
  expect(typed('\\nothing x')).toBe('\\nothing x');
  // While a name is typed it is not finished.
  expect(typed('\\in')).toBe('\\in');
  expect(typed('\\infty ')).toBe('∞ ');
  expect(typed('x-y a.b')).toBe('x-y a.b');
});

test('every sign is in a face that ships, among those that are loaded for it', () => {
  const fonts = shippedFonts();
  for (const { name, symbols } of SYMBOL_GROUPS)
    for (const { sign } of symbols) {
      const faces = new Set([...facesFor(sign, 'sans'), ...fallbacksFor('sans')]);
      const some = {
        face: (one: Parameters<typeof fonts.face>[0]) => (faces.has(one) ? fonts.face(one) : null),
      };
      expect([
        name,
        sign,
        setText(sign, { face: 'sans', size: 10 }, Infinity, some).missing,
      ]).toEqual([name, sign, []]);
    }
});

test('no shortcut stands for two signs', () => {
  const all = SYMBOL_GROUPS.flatMap(({ symbols }) => symbols.flatMap((s) => s.shortcut ?? []));
  expect(new Set(all).size).toBe(all.length);
});
