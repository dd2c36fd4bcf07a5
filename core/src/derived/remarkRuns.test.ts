import fc from 'fast-check';
import { plainRemark, remarkRuns } from './remarkRuns.ts';

const shown = (text: string): string =>
  remarkRuns(text)
    .map(({ text: said, bold, slanted, address }) =>
      address ? `<${said}|${address}>` : bold ? `[b ${said}]` : slanted ? `[i ${said}]` : said,
    )
    .join('');

test.each([
  ['nothing of it', 'nothing of it'],
  ['**never** at *low* water', '[b never] at [i low] water'],
  ['(*so*), “**no**”', '([i so]), “[b no]”'],
  ['2*3*4 and a*b*c stay', '2*3*4 and a*b*c stay'],
  ['* a list\n* of two', '* a list\n* of two'],
  ['**', '**'],
  ['****', '****'],
  [
    'see https://tides.example/a?b=1.',
    'see <https://tides.example/a?b=1|https://tides.example/a?b=1>.',
  ],
  [
    'a (https://tides.example/low_(water)) b',
    'a (<https://tides.example/low_(water)|https://tides.example/low_(water)>) b',
  ],
  ['to ines@field.example, soon', 'to <ines@field.example|mailto:ines@field.example>, soon'],
  ['javascript:alert(1) data:text/html,x', 'javascript:alert(1) data:text/html,x'],
])('%s', (text, pieces) => {
  expect(shown(text)).toBe(pieces);
});

test('whatever a remark says, its pieces say all but signs of emphasis, and lead only where they may', () => {
  const sign = fc.constantFrom(
    '*',
    '**',
    'https://',
    'a.b',
    '@',
    ' ',
    '(',
    ')',
    'ü',
    '\n',
    'mailto:',
  );
  const remark = fc.array(fc.oneof(sign, fc.string({ maxLength: 5 })), { maxLength: 20 });
  fc.assert(
    fc.property(remark, (parts) => {
      const text = parts.join('');
      expect(plainRemark(text).replaceAll('*', '')).toBe(text.replaceAll('*', ''));
      for (const { address } of remarkRuns(text))
        if (address !== null) expect(address).toMatch(/^(https?:\/\/|mailto:)/i);
    }),
  );
});

test('a remark of 100,000 signs of emphasis is read at once', () => {
  for (const sign of ['*', '**a ', '*a', '(', 'a@', 'https://'])
    expect(plainRemark(sign.repeat(100_000 / sign.length)).length).toBeGreaterThan(0);
});
