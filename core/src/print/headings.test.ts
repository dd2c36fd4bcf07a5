import { column, rawPrint } from '../../testing/print.ts';
import { headingsOf, headingsOn } from './headings.ts';
import { EMPTY_PRINT } from './print.ts';
import { readPrint } from './readPrint.ts';

const BODY = [
  'Barnacles settle where others have',
  'settled, on rocks that stay wet all',
  'day long, and do not move again.',
];
const pageOf = (chapter: string | null, section: string) =>
  headingsOn(
    readPrint(
      rawPrint([
        ...(chapter
          ? [{ text: chapter, x: 50, y: 724, size: 18 }]
          : column(BODY.slice(1), 50, 750)),
        { text: section, x: 50, y: 690, size: 13 },
        ...column(BODY, 50, 660),
      ]),
    ),
  );

test('what is set larger than most of a document are its headings, level by level', () => {
  const found = headingsOf([
    pageOf('1 The shore', '1.1 Rocks'),
    headingsOn(EMPTY_PRINT),
    pageOf(null, '1.2 Mud'),
    pageOf('2 The sea', '2.1 Waves'),
  ]);
  expect(found.map(({ page, level, text }) => [page, level, text])).toEqual([
    [0, 0, '1 The shore'],
    [0, 1, '1.1 Rocks'],
    [2, 1, '1.2 Mud'],
    [3, 0, '2 The sea'],
    [3, 1, '2.1 Waves'],
  ]);
  expect(found[0].at.x).toBeCloseTo(50);
  expect(found[0].at.y).toBeGreaterThan(724);
});

test('tables of contents, numbers and long texts are none', () => {
  const { may } = headingsOn(
    readPrint(
      rawPrint([
        { text: 'Rocks . . . . . . . 12', x: 50, y: 724, size: 14 },
        { text: '42', x: 50, y: 700, size: 20 },
        { text: 'Large type at length '.repeat(10), x: 50, y: 640, size: 12 },
        ...column([...BODY, ...BODY, ...BODY], 50, 500),
      ]),
    ),
  );
  expect(may).toEqual([]);
});

test('a document without text, or all in one size, has none', () => {
  expect(headingsOf([])).toEqual([]);
  expect(headingsOf([headingsOn(readPrint(rawPrint(column(BODY, 50, 660))))])).toEqual([]);
});

test('where sizes tell nothing, another face does, if a paragraph follows', () => {
  const page = headingsOn(
    readPrint(
      rawPrint([
        ...column(BODY, 50, 760),
        { text: 'What barnacles need', x: 50, y: 712, face: 2 },
        ...column(BODY, 50, 688),
        { text: 'A note in bold ends here.', x: 50, y: 640, face: 2 },
        ...column(BODY, 50, 616),
        { text: 'Bold at the end of all', x: 50, y: 550, face: 2 },
      ]),
    ),
  );
  expect(headingsOf([page, headingsOn(EMPTY_PRINT), headingsOn(EMPTY_PRINT)])).toMatchObject([
    { text: 'What barnacles need', page: 0, byFace: true },
  ]);
});
