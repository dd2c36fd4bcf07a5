import type { LetterStyle } from '@marginalis/core/type';
import { copiedHtml } from './copiedHtml';
import { pastedEmphasis } from './pastedEmphasis';

const plain: LetterStyle = {
  family: 'sans',
  size: 11,
  bold: false,
  italic: false,
  underline: false,
  colour: '#1f3361',
};

test('what is copied keeps its emphasis when it is pasted, and runs nothing', () => {
  const html = copiedHtml([
    { text: 'low <b>&\n', style: plain },
    { text: 'tide', style: { ...plain, bold: true, underline: true } },
  ]);
  expect(html).toBe('low &lt;b&gt;&amp;<br><b><u>tide</u></b>');
  expect(pastedEmphasis('low <b>&\ntide', html)).toEqual([
    { from: 9, to: 13, by: { bold: true, underline: true } },
  ]);
});
