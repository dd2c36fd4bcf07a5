import fc from 'fast-check';
import { FIRST_NAMING } from '@/storage';
import { sizeInWords } from '@/ui';
import { copyName, fileName, type Naming, picturesName } from './fileName';

const naming = (part: Partial<Naming> = {}): Naming => ({
  pattern: FIRST_NAMING,
  title: 'Rock-pool zones',
  pages: '',
  author: '',
  at: new Date(2031, 2, 5, 23, 59).getTime(),
  ...part,
});

test.each([
  ['Rock-pool zones', 'Rock-pool zones – marked.pdf'],
  ['a/b\\c:d*e?f"g<h>i|j', 'a b c d e f g h i j – marked.pdf'],
  ['  ', 'Document – marked.pdf'],
  ['Zeitpläne & Łódź', 'Zeitpläne & Łódź – marked.pdf'],
  ['x'.repeat(500), `${'x'.repeat(120)} – marked.pdf`],
])('the copy of %p is offered as %p', (title, name) => {
  expect(copyName(naming({ title }), 'fixed')).toBe(name);
});

test.each([
  ['{title} – {author} – {date}', 'Rock-pool zones – Ines Mara – 2031-03-05 – marked.pdf'],
  ['{date} {title} ({kind})', '2031-03-05 Rock-pool zones (marked).pdf'],
  ['{kind}, {pages}, {title}', 'marked, pages 2-5, Rock-pool zones.pdf'],
  ['', 'marked.pdf'],
  ['{nothing} – {kind}', '{nothing} – marked.pdf'],
  ['../{title}', 'Rock-pool zones – marked.pdf'],
])('by the pattern %p it is %p', (pattern, name) => {
  const told = naming({ pattern, author: 'Ines Mara', pages: 'pages 2-5' });
  expect(copyName(told, 'fixed')).toBe(name);
});

test('what is empty is left out with what stands before it', () => {
  expect(copyName(naming({ pattern: '{author} – {title}, {pages} – {kind}' }), 'living')).toBe(
    'Rock-pool zones – living.pdf',
  );
  expect(copyName(naming({ pattern: '{title} – by {author} – {kind}' }), 'fixed')).toBe(
    'Rock-pool zones – marked.pdf',
  );
});

test('whatever the pattern and the title are, a file has a name that ends as it should and says what it is', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 200 }), fc.string({ maxLength: 200 }), (pattern, title) => {
      const name = fileName(naming({ pattern, title }), 'marked', 'pdf');
      expect(name).toMatch(/^[^\\/:*?"<>|]+\.pdf$/);
      expect(name).not.toMatch(/^\s|^\./);
      expect(name).not.toBe(`${title}.pdf`);
    }),
  );
});

test('one picture is offered by its page, several in one file', () => {
  expect(picturesName(naming({ pages: 'page 2' }), 1, 'png')).toBe('Rock-pool zones, page 2.png');
  expect(picturesName(naming(), 1, 'jpeg')).toBe('Rock-pool zones.jpg');
  expect(picturesName(naming(), 2, 'png')).toBe('Rock-pool zones – pictures.zip');
});

test('sizes are said in the unit a person would use', () => {
  expect([1, 17_685, 999_000, 1_000_000, 104_857_600].map(sizeInWords)).toEqual([
    '1 kB',
    '18 kB',
    '999 kB',
    '1.0 MB',
    '104.9 MB',
  ]);
});
