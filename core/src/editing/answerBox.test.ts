import { shippedFonts } from '../../testing/faces.ts';
import { pageRefsFor } from '../../testing/marks.ts';
import { emptyDocument } from '../document/index.ts';
import { displayMatrix, plainPage, transform } from '../geometry/index.ts';
import { placeOfBox } from '../kinds/index.ts';
import { FIRST_ROLL } from '../marks/index.ts';
import { setBlock } from '../type/setBlock.ts';
import { retyped } from '../type/spans.ts';
import { answerBox, answerSize } from './answerBox.ts';
import { emptyText } from './typing.ts';

const instrument = FIRST_ROLL[10];
const fonts = shippedFonts();
const heights = fonts.face('sans') ?? { ascent: 0, descent: 0 };
const run = [0, 1, 2].map((k) => ({ from: k === 0 ? 90 : 40, to: 360, y: 200 + 22 * k, room: 22 }));

test.each([0, 90, 180, 270] as const)(
  'each line of the text stands on a line of the page, turned by %i°',
  (turn) => {
    const [page] = pageRefsFor([{ ...plainPage(400, 600), rotate: turn }]);
    const box = answerBox(run, instrument, page, heights);
    const state = emptyDocument([page]);
    const mark = emptyText(state, { id: 't', page: page.id, madeAt: 1, ...box });
    const spans = retyped(
      mark.block.spans,
      'Mussels and red weeds, because they are eaten and overgrown there, and the tide leaves them only for an hour',
    );
    const { lines } = setBlock({ ...mark.block, spans }, fonts);
    expect(lines.length).toBe(3);
    const seen = lines.map(({ baseline, runs }) => {
      const at = transform(placeOfBox(mark), { x: runs[0].place[4], y: -baseline });
      return transform(displayMatrix(page), at);
    });
    seen.forEach(({ x, y }, k) => {
      expect(run[k].y - y).toBeGreaterThan(0.5);
      expect(run[k].y - y).toBeLessThan(2.5);
      expect(x - run[k].from).toBeCloseTo(2, 1);
    });
  },
);

test('letters suit the room, and stay as the instrument has them where there is much', () => {
  expect(answerSize(12, 11)).toBe(6.5);
  expect(answerSize(20, 11)).toBe(11.5);
  expect(answerSize(30, 11)).toBe(14);
  expect(answerSize(60, 11)).toBe(11);
  expect(answerSize(9, 11)).toBe(6);
});
