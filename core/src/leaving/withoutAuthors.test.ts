import { done, markOf, pageRefsFor, written } from '../../testing/marks.ts';
import { wavePath } from '../../testing/hand.ts';
import { addNote, answerNote, restyleMarks, settleNote } from '../editing/index.ts';
import { plainPage } from '../geometry/index.ts';
import { saysAuthors, withoutAuthors } from './withoutAuthors.ts';

const pages = pageRefsFor([plainPage(400, 800)]);
const bare = written(pages, [{ page: 0, path: wavePath({ x: 50, y: 50 }, 90, 6, 2), id: 'a' }]);
const thread = (state: typeof bare) => [...state.threads.values()][0];

test('what leaves without names says of no note, answer, settling or mark who made it, and all else', () => {
  expect(saysAuthors(bare)).toBe(false);
  const signed = done(bare, restyleMarks(bare, ['a'], { author: 'Ines Mara' }));
  expect(saysAuthors(signed)).toBe(true);
  const noted = done(
    signed,
    addNote(signed, {
      ...{ id: 'n', about: { page: 'p0', at: { x: 50, y: 50 } }, text: 'Count again' },
      style: { colour: '#1b2a4a', width: 0.8, opacity: 1 },
      ...{ author: 'Ines Mara', madeAt: 1e12 },
    }),
  );
  const remark = { id: 'r', author: 'Teo Lind', text: 'Done', madeAt: 2e12, editedAt: null };
  const answered = done(noted, answerNote(thread(noted), remark));
  const settled = done(answered, settleNote(thread(answered), 'Teo Lind', 3e12));
  const nameless = withoutAuthors(settled, true);
  expect(saysAuthors(nameless)).toBe(false);
  expect(JSON.stringify([...nameless.threads])).not.toMatch(/Ines|Teo/);
  expect(thread(nameless)).toMatchObject({
    remarks: [{ text: 'Count again' }, { text: 'Done' }],
    settled: { by: '', at: 3e12 },
  });
  expect('author' in markOf(nameless, 'a')).toBe(false);
  // Where marks are drawn only, they stay what they are.
  expect(markOf(withoutAuthors(settled, false), 'a')).toBe(markOf(settled, 'a'));
});
