import fc from 'fast-check';
import { charactersMissing, isKept } from './characters.ts';

test('characters that are not found are told, in whatever order they stand', () => {
  expect(charactersMissing('low tide', 'edit wol')).toBe('');
  expect(charactersMissing('0.9 m', '0.6 m')).toBe('9');
  expect(charactersMissing('efﬁcient', 'efficient')).toBe('');
  expect(charactersMissing('aa', 'a')).toBe('a');
});

test('a text is kept where its characters follow each other, whatever stands between', () => {
  fc.assert(
    fc.property(fc.string(), fc.array(fc.tuple(fc.nat(), fc.string())), (text, put) => {
      let longer = text;
      for (const [n, more] of put) {
        const at = n % (longer.length + 1);
        longer = longer.slice(0, at) + more + longer.slice(at);
      }
      expect(isKept(text, longer)).toBe(true);
      expect(charactersMissing(text, longer)).toBe('');
    }),
  );
  expect(isKept('abc', 'acb')).toBe(false);
});
