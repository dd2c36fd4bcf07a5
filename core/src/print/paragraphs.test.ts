import { column, rawPrint } from '../../testing/print.ts';
import { paragraphsOf } from './paragraphs.ts';
import { EMPTY_PRINT } from './print.ts';
import { readPrint } from './readPrint.ts';

test('texts of a page in reading order, with those set larger as headings', () => {
  const print = readPrint(
    rawPrint([
      { text: 'The lower shore', x: 50, y: 724, size: 18 },
      ...column(['Barnacles settle where oth-', 'ers have settled, on rocks.'], 50, 700),
      { text: 'The upper shore', x: 50, y: 640, size: 13 },
      ...column(['Few animals live here, and', 'those that do close up.'], 50, 610),
    ]),
  );
  expect(paragraphsOf(print)).toMatchObject([
    { is: 'heading', level: 0, text: 'The lower shore' },
    { is: 'paragraph', text: 'Barnacles settle where others have settled, on rocks.' },
    { is: 'heading', level: 0, text: 'The upper shore' },
    { is: 'paragraph', text: 'Few animals live here, and those that do close up.' },
  ]);
  expect(paragraphsOf(EMPTY_PRINT)).toEqual([]);
});
