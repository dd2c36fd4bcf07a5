import { sizeInWords } from '@/ui';
import { copyFileName, picturesFileName } from './fileName';

test.each([
  ['Rock-pool zones', 'Rock-pool zones – marked.pdf'],
  ['a/b\\c:d*e?f"g<h>i|j', 'a b c d e f g h i j – marked.pdf'],
  ['  ', 'Document – marked.pdf'],
  ['Zeitpläne & Łódź', 'Zeitpläne & Łódź – marked.pdf'],
  ['x'.repeat(500), `${'x'.repeat(120)} – marked.pdf`],
])('the copy of %p is offered as %p', (title, name) => {
  expect(copyFileName(title)).toBe(name);
});

test('one picture is offered by its page, several in one file', () => {
  expect(picturesFileName('Rock-pool zones', 'page 2', 1, 'png')).toBe(
    'Rock-pool zones, page 2.png',
  );
  expect(picturesFileName('Rock-pool zones', '', 1, 'jpeg')).toBe('Rock-pool zones.jpg');
  expect(picturesFileName('Rock-pool zones', '', 2, 'png')).toBe('Rock-pool zones – pictures.zip');
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
