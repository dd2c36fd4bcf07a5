import { pastedEmphasis } from './pastedEmphasis';

const said = (text: string, html: string) =>
  pastedEmphasis(text, html).map(({ from, to, by }) => [
    text.slice(from, to),
    Object.keys(by)
      .filter((name) => by[name as keyof typeof by])
      .join(' '),
  ]);

test.each([
  ['The lower shore', '<p>The <b>lower</b> shore</p>', [['lower', 'bold']]],
  [
    'Never at high water',
    '<span style="font-weight:700">Never at</span> <em><u>high</u></em> water',
    [
      ['Never at', 'bold'],
      ['high', 'italic underline'],
    ],
  ],
  // A whole page in bold tags that are taken back, as some programs write it.
  ['plain text', '<b style="font-weight:normal">plain text</b>', []],
  // Bullets that are in the plain text only.
  ['• one\n• two', '<ul><li>one</li><li><i>two</i></li></ul>', [['two', 'italic']]],
  ['no piece', '', []],
  ['other words', '<b>something else</b>', []],
  ['seen', '<style>b{}</style><script>alert(1)</script><b>seen</b>', [['seen', 'bold']]],
])('%s', (text, html, emphasized) => {
  expect(said(text, html)).toEqual(emphasized);
});

test('a piece without end is pasted without emphasis', () => {
  expect(said('a', `<b>a</b>${' '.repeat(600_000)}`)).toEqual([]);
});
