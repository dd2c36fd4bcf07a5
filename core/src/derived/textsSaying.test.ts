import { done, pageRefsFor } from '../../testing/marks.ts';
import { emptyDocument } from '../document/index.ts';
import { emptyText, keepText } from '../editing/index.ts';
import { plainPage } from '../geometry/index.ts';
import { FIRST_ROLL } from '../marks/index.ts';
import { retyped } from '../type/spans.ts';
import { listMarks } from './markList.ts';
import { textsSaying } from './textsSaying.ts';

test('text boxes are found by what they say, case and accents folded', () => {
  const [page] = pageRefsFor([plainPage(400, 600)]);
  const says = ['On the lower shore, by the pools', 'Épifauna'];
  const state = says.reduce(
    (before, text, k) => {
      const at = { x: 20, y: 500 - 100 * k };
      const base = { id: `t${k}`, page: page.id, instrument: FIRST_ROLL[10], at, angle: 0 };
      const empty = emptyText(before, { ...base, width: 200, madeAt: 1 });
      const block = { ...empty.block, spans: retyped(empty.block.spans, text) };
      return done(before, keepText(null, { ...empty, block }));
    },
    emptyDocument([page]),
  );
  const marks = listMarks(state);
  const [hit, ...more] = textsSaying(marks, 'LOWER shore');
  expect(more).toEqual([]);
  expect(hit.row.mark.id).toBe('t0');
  expect(hit.quote).toMatchObject({ exact: 'lower shore' });
  expect(textsSaying(marks, 'epifauna').map(({ row }) => row.mark.id)).toEqual(['t1']);
  expect(textsSaying(marks, 'limpet')).toEqual([]);
});
