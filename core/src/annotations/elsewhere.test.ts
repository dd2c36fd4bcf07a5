import fc from 'fast-check';
import { pageRefsFor } from '../../testing/marks.ts';
import type { NamedPart, Thread } from '../document/index.ts';
import { moveBy, plainPage } from '../geometry/index.ts';
import { asNote, kindFor, type Mark, marksOfSketch } from '../kinds/index.ts';
import type { Annotation } from './annotation.ts';
import { elsewhereOf } from './elsewhere.ts';
import { annotationsOfMark } from './ofMark.ts';

const [page] = pageRefsFor([plainPage(600, 800)]);
const base = (id: string, order: number) => ({
  ...{ id, page: page.id, order, madeAt: 1000, author: 'Ada' },
  style: { colour: '#0f7566', width: 2, opacity: 1 },
});
const corners = [
  { x: 100, y: 100 },
  { x: 200, y: 160 },
] as const;
const [square] = marksOfSketch({ subtype: 'Square', corners, width: 2 }, base('square', 1));
const [note] = marksOfSketch({ subtype: 'Text', at: { x: 400, y: 400 } }, base('note', 2));
const thread: Thread = {
  ...{ id: 't', mark: 'note', tags: [], settled: null },
  remarks: [
    { id: 'r1', author: 'Ada', text: '*Why*?', madeAt: 1000, editedAt: null },
    { id: 'r2', author: 'Tom', text: 'So.', madeAt: 2000, editedAt: null },
  ],
};
const PARTS: readonly NamedPart[] = [
  { part: 'page', value: page },
  { part: 'mark', value: square },
  { part: 'mark', value: note },
  { part: 'thread', value: thread },
];
const sentOf = (mark: Mark, said: Thread | null, from: number): Annotation[] =>
  annotationsOfMark(mark, 0, said).map((one) =>
    one.answers ? { ...one, answers: { ...one.answers, to: from } } : one,
  );
const SENT = [...sentOf(square, null, 0), ...sentOf(note, thread, 1)];
const compared = (annotations: readonly Annotation[], partial = false) =>
  elsewhereOf(PARTS, annotations, { now: 9000, partial });
const changed = (name: string, part: Partial<Annotation>): Annotation[] =>
  SENT.map((one) => (one.name === name ? { ...one, ...part } : one));

test('what comes back as it was sent is no news, in whatever order', () => {
  fc.assert(
    fc.property(fc.shuffledSubarray([0, 1, 2], { minLength: 3 }), (order) => {
      const moved = order.map((k) => SENT[k]);
      const back = moved.map((one) =>
        one.answers ? { ...one, answers: { ...one.answers, to: order.indexOf(1) } } : one,
      );
      expect(compared(back)).toMatchObject({ changes: [], left: [], authors: [] });
    }),
  );
});

test('colour, opacity and place of a mark follow its annotation', () => {
  const rect = SENT[0].rect;
  const by = rect && { ...rect, minX: rect.minX + 40, maxX: rect.maxX + 40 };
  const { changes } = compared(changed('square', { colour: '#c22f17', opacity: 0.4, rect: by }));
  expect(changes).toMatchObject([
    {
      id: 'square',
      after: { style: { colour: '#c22f17', opacity: 0.4 }, figure: { centre: { x: 190, y: 130 } } },
    },
  ]);
  // What programs round, and icons of their own size, are no changes.
  const rounded = rect && { ...rect, minX: rect.minX + 0.3 };
  expect(compared(changed('square', { rect: rounded, colour: '#0f7667' })).changes).toEqual([]);
  const icon = { minX: 396, minY: 390, maxX: 416, maxY: 410 };
  expect(compared(changed('note', { rect: icon })).changes).toEqual([]);
});

test('a note that was moved is moved, and what is said in it by now is said here', () => {
  const rect = { minX: 100, minY: 700, maxX: 108, maxY: 708 };
  const { changes, changed: count } = compared(
    changed('note', { rect, contents: 'Why not?', changedAt: 5000 }),
  );
  const after = changes.find(({ part }) => part === 'mark')?.after as Mark;
  expect(asNote(after)?.at).toEqual({ x: 104, y: 704 });
  expect(changes.find(({ part }) => part === 'thread')?.after).toMatchObject({
    remarks: [{ id: 'r1', text: 'Why not?', editedAt: 5000 }, { text: 'So.' }],
  });
  expect(count).toBe(2);
});

test('what is gone is gone, where names are kept; in a part of a whole nothing is', () => {
  const without = SENT.filter(({ name }) => name !== 'square').map((one) =>
    one.answers ? { ...one, answers: { ...one.answers, to: 0 } } : one,
  );
  expect(compared(without)).toMatchObject({ removed: 1, changes: [{ id: 'square', after: null }] });
  expect(compared(without, true).changes).toEqual([]);
  expect(compared([]).changes).toEqual([]);
  const answerGone = SENT.filter(({ name }) => name !== 'r2');
  expect(compared(answerGone).changes).toMatchObject([{ after: { remarks: [{ id: 'r1' }] } }]);
});

test('answers and states of others are taken, and who they are is told', () => {
  const answer: Annotation = {
    ...SENT[2],
    ...{ name: '', author: 'Ines', contents: 'I see.', madeAt: 3000, changedAt: 3000 },
  };
  const state = { ...answer, contents: '', state: { model: 'Review', says: 'Completed' } };
  const { changes, authors, added, known } = compared([...SENT, answer, state]);
  expect(changes).toMatchObject([
    {
      after: {
        remarks: [{}, {}, { text: 'I see.', author: 'Ines' }],
        settled: { by: 'Ines', at: 3000 },
      },
    },
  ]);
  expect([authors, added, known.size]).toEqual([['Ines'], 1, 5]);
});

test('what was moved under another name is gone and new: nothing is lost', () => {
  const far = kindFor(square).carry(square, moveBy({ x: 300, y: 300 }), {});
  const [renamed] = sentOf({ ...far, id: 'other' } as Mark, null, 0);
  const { changes } = compared([renamed, ...SENT.slice(1)]);
  expect(changes.map(({ id, after }) => [id, after === null])).toEqual([
    ['square', true],
    ['other', false],
  ]);
});
