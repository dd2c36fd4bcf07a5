import { done, pageRefsFor, written } from '../../testing/marks.ts';
import { quadOf } from '../../testing/quads.ts';
import { addNote, redact } from '../editing/index.ts';
import { box, plainPage } from '../geometry/index.ts';
import { withoutNotesBeneath } from './withoutNotesBeneath.ts';

test('a note about what lies beneath a bar does not leave, another one does', () => {
  const bare = written(pageRefsFor([plainPage(400, 800)]), []);
  const noted = [
    { id: 'hidden', y: 100 },
    { id: 'seen', y: 700 },
  ].reduce(
    (state, { id, y }) =>
      done(
        state,
        addNote(state, {
          ...{ id, about: { page: 'p0', at: { x: 50, y } }, text: `About ${id}` },
          style: { colour: '#1b2a4a', width: 0.8, opacity: 1 },
          ...{ author: '', madeAt: 1 },
        }),
      ),
    bare,
  );
  expect(withoutNotesBeneath(noted)).toBe(noted);
  const bar = { id: 'bar', page: 'p0', quads: [quadOf(box(0, 0, 300, 200))], says: '', madeAt: 2 };
  const left = withoutNotesBeneath(done(noted, redact(noted, [bar])));
  const said = [...left.threads.values()].flatMap(({ remarks }) => remarks.map(({ text }) => text));
  expect(said).toEqual(['About seen']);
});
