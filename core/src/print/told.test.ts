import { column, rawPrint, type SetLine } from '../../testing/print.ts';
import type { TaggedPage, TaggedPart } from './tagged.ts';
import { toldOf } from './told.ts';
import { toldNear } from './toldNear.ts';

/** A page whose lines belong to marked content each, by its number; −1 to none. */
function tagged(lines: readonly (readonly [number, SetLine])[], parts: TaggedPart[]): TaggedPage {
  const marked = lines.flatMap(([number, { text }]) =>
    Array<number>([...text].length).fill(number),
  );
  return { raw: rawPrint(lines.map(([, line]) => line)), marked: Int32Array.from(marked), parts };
}
const part = (type: string, ...holds: TaggedPart['holds']): TaggedPart => ({
  type,
  alternative: '',
  holds,
});
const below = (...texts: readonly (readonly [number, string])[]) =>
  texts.map(([number, text], k) => [number, { text, x: 50, y: 700 - 14 * k }] as const);
const paragraph = (text: string) => ({ is: 'paragraph', text }) as const;

test('headings with their levels, paragraphs over lines, and lists with their labels, in the order of the tags', () => {
  const page = tagged(
    below(
      [3, 'counted last'],
      [0, 'The lower shore'],
      [1, 'Barnacles settle where oth-'],
      [2, 'ers have settled.'],
      [4, '1.'],
      [5, 'limpets'],
      [6, '2.'],
      [7, 'whelks'],
      [8, 'dog whelks'],
    ),
    [
      part(
        'Document',
        part('H2', 0),
        part('P', 1, part('Span', 2)),
        part(
          'L',
          part('LI', part('Lbl', 4), part('LBody', 5)),
          part('LI', part('Lbl', 6), part('LBody', part('P', 7), part('L', part('LI', 8)))),
        ),
        part('P', 3),
      ),
    ],
  );
  expect(toldOf(page)).toMatchObject([
    { is: 'heading', level: 2, text: 'The lower shore' },
    paragraph('Barnacles settle where others have settled.'),
    {
      is: 'list',
      items: [
        [paragraph('1. limpets')],
        [paragraph('2. whelks'), { is: 'list', items: [[paragraph('dog whelks')]] }],
      ],
    },
    paragraph('counted last'),
  ]);
});

test('what is said in place of a picture stands for all that is in it', () => {
  const figure = { ...part('Figure', 0, part('Span', 1)), alternative: 'A limpet from the side' };
  const page = tagged(below([0, 'shell'], [1, 'foot'], [2, 'It holds on.']), [
    part('P', 2),
    figure,
  ]);
  expect(toldOf(page)).toMatchObject([
    paragraph('It holds on.'),
    { is: 'picture', text: 'A limpet from the side' },
  ]);
});

test('what the tags leave out comes last; what they tell twice is told once', () => {
  const page = tagged(below([0, 'Low water was at six.'], [-1, '12']), [
    part('P', 0),
    part('P', 0),
  ]);
  expect(toldOf(page)).toMatchObject([paragraph('Low water was at six.'), paragraph('12')]);
});

test('tags that hold little of the page do not hide the rest: it is told as it is printed', () => {
  const picture = { ...part('Figure', 0), alternative: 'A gull' };
  const lines: SetLine[] = [
    { text: 'gull', x: 50, y: 760, size: 8 },
    ...column(['Few animals live here, and', 'those that do close up.'], 50, 700),
  ];
  const page = tagged(
    lines.map((line, k) => [k === 0 ? 0 : -1, line] as const),
    [picture],
  );
  expect(toldOf(page)).toMatchObject([
    paragraph('gull'),
    paragraph('Few animals live here, and those that do close up.'),
    { is: 'picture', text: 'A gull' },
  ]);
});

test('a page without tags, or without words', () => {
  expect(toldOf(tagged(below([-1, 'Plain']), []))).toMatchObject([paragraph('Plain')]);
  const picture = { ...part('Figure', 0), alternative: 'A gull' };
  expect(toldOf(tagged([], [picture, part('P', 1)]))).toEqual([{ is: 'picture', text: 'A gull' }]);
});

test('the text nearest to a place, in a list too', () => {
  const page = tagged(
    below([0, 'The lower shore'], [1, 'limpets'], [2, 'whelks'], [3, 'It holds on.']),
    [part('H1', 0), part('L', part('LI', 1), part('LI', 2)), part('P', 3)],
  );
  const told = toldOf(page);
  const nearest = (x: number, y: number) => {
    const near = toldNear(told, { x, y });
    return near && 'text' in near ? near.text : null;
  };
  expect(nearest(60, 705)).toBe('The lower shore');
  expect(nearest(84, 675)).toBe('whelks');
  expect(nearest(60, 100)).toBe('It holds on.');
  expect(toldNear([{ is: 'picture', text: 'A gull' }], { x: 0, y: 0 })).toBeNull();
});
