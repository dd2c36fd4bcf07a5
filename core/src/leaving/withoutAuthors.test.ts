import { done, markOf, pageRefsFor, written } from '../../testing/marks.ts';
import { wavePath } from '../../testing/hand.ts';
import { addNote, answerNote, restyleMarks, settleNote } from '../editing/index.ts';
import { markChange } from '../document/index.ts';
import { plainPage } from '../geometry/index.ts';
import type { FigureMark, InkMark, StampMark } from '../kinds/index.ts';
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

test('nor of the ink that a figure was tidied from, and of the parts of a stamp', () => {
  const signed = done(bare, restyleMarks(bare, ['a'], { author: 'Ines Mara' }));
  const ink = markOf(signed, 'a') as InkMark;
  const base = { page: 'p0', madeAt: 1, style: ink.style, author: 'Ines Mara' };
  const figure: FigureMark = {
    ...{ ...base, kind: 'figure', id: 'f', order: 2, dash: 'none', fill: null, from: [ink] },
    figure: { kind: 'line', from: { x: 0, y: 0 }, to: { x: 9, y: 9 } },
  };
  const stamp: StampMark = { ...base, kind: 'stamp', id: 's', order: 3, parts: [figure] };
  const changes = [figure, stamp].map((mark) => markChange(null, mark));
  const all = done(signed, { label: 'Put', changes });
  const parts = withoutAuthors(all, true).marks.get('p0');
  expect(parts?.size).toBe(3);
  expect(JSON.stringify([...(parts ?? [])])).not.toContain('Ines');
});
