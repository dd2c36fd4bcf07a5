import fc from 'fast-check';
import { replaced, restyled, retyped, spansBetween, styleAt } from './spans.ts';
import { type LetterStyle, type Span, textOfSpans } from './textBlock.ts';

const PLAIN: LetterStyle = {
  family: 'sans',
  size: 11,
  bold: false,
  italic: false,
  underline: false,
  colour: '#1f3361',
};
const BOLD = { ...PLAIN, bold: true };
const two: readonly Span[] = [
  { text: 'high ', style: PLAIN },
  { text: 'shore', style: BOLD },
];
const told = (spans: readonly Span[]): string =>
  spans.map(({ text, style }) => (style.bold ? `*${text}*` : text)).join('');

test('what is typed looks like what stands before it', () => {
  expect(told(retyped(two, 'higher shore'))).toBe('higher *shore*');
  expect(told(retyped(two, 'high shores'))).toBe('high *shores*');
  expect(told(retyped(two, 'the high shore'))).toBe('the high *shore*');
  expect(told(retyped(two, 'high '))).toBe('high ');
  expect(told(retyped(two, 'low'))).toBe('low');
  expect(styleAt(two, 5).bold).toBe(false);
  expect(styleAt(two, 6).bold).toBe(true);
});

test('a text that is emptied still knows how its letters look', () => {
  const empty = retyped([{ text: 'a', style: BOLD }], '');
  expect(empty).toEqual([{ text: '', style: BOLD }]);
  expect(told(retyped(empty, 'b'))).toBe('*b*');
  expect(told(replaced(empty, 0, 0, 'c', PLAIN))).toBe('c');
});

test('a part looks otherwise, and like its neighbour it is one with it', () => {
  expect(told(restyled(two, 2, 7, { bold: true }))).toBe('hi*gh shore*');
  expect(restyled(two, 5, 10, { bold: false })).toHaveLength(1);
  expect(restyled([{ text: '', style: PLAIN }], 0, 0, { size: 20 })[0].style.size).toBe(20);
});

const spans = fc
  .array(fc.record({ text: fc.string({ maxLength: 8 }), style: fc.constantFrom(PLAIN, BOLD) }), {
    minLength: 1,
    maxLength: 6,
  })
  .map((all): readonly Span[] => all);

test('whatever is typed, the text is that, no two neighbours look alike, and what did not change keeps its look', () => {
  fc.assert(
    fc.property(spans, fc.string({ maxLength: 30 }), (all, text) => {
      const after = retyped(all, text);
      expect(textOfSpans(after)).toBe(text);
      const before = textOfSpans(all);
      let head = 0;
      while (head < Math.min(before.length, text.length) && before[head] === text[head]) head++;
      expect(told(spansBetween(after, 0, head)).replaceAll('**', '')).toBe(
        told(spansBetween(all, 0, head)).replaceAll('**', ''),
      );
    }),
  );
});
