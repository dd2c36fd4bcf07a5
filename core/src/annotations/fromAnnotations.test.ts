import type { AnnotationSketch } from '../kinds/index.ts';
import type { Annotation } from './annotation.ts';
import { fromAnnotations } from './fromAnnotations.ts';

const NOTE: AnnotationSketch = { subtype: 'Text', at: { x: 40, y: 300 } };
const STROKES: AnnotationSketch = {
  subtype: 'Ink',
  width: 2,
  lines: [
    [
      { x: 0, y: 0 },
      { x: 10, y: 10 },
    ],
    [{ x: 20, y: 20 }],
  ],
};

const annotation = (part: Partial<Annotation> = {}): Annotation => ({
  name: '',
  page: 0,
  subtype: 'Text',
  rect: null,
  sketch: NOTE,
  colour: '#c22f17',
  opacity: 1,
  author: 'Ada',
  contents: 'Why?',
  madeAt: 1000,
  changedAt: null,
  locked: false,
  shown: true,
  answers: null,
  state: null,
  ...part,
});
const answer = (to: number, part: Partial<Annotation> = {}): Annotation =>
  annotation({ sketch: null, contents: 'Because.', answers: { to, as: 'answer' }, ...part });
const read = (all: readonly Annotation[]) =>
  fromAnnotations(all, { pageId: (page) => (page < 2 ? `p${page}` : null), now: 9000 });

test('a note becomes a sign and a thread, with its answers in order of time', () => {
  const { marks, threads, taken } = read([
    annotation({ name: 'n' }),
    answer(0, { author: 'Tom', madeAt: 3000, contents: 'Second' }),
    answer(0, { author: 'Tom', madeAt: 2000, changedAt: 2500, contents: 'First' }),
    answer(2, { madeAt: 4000, contents: 'To the first' }),
  ]);
  expect(marks).toMatchObject([
    { kind: 'note', id: 'n', page: 'p0', author: 'Ada', at: { x: 40, y: 300 } },
  ]);
  expect(threads).toHaveLength(1);
  expect(threads[0].remarks.map(({ text, author }) => [text, author])).toEqual([
    ['Why?', 'Ada'],
    ['First', 'Tom'],
    ['Second', 'Tom'],
    ['To the first', 'Ada'],
  ]);
  expect(threads[0].remarks[1].editedAt).toBe(2500);
  expect([...taken].sort()).toEqual([0, 1, 2, 3]);
});

test('that it is completed settles a thread, and that it is not opens it again; other states are answers', () => {
  const state = (says: string, madeAt: number) =>
    answer(0, { contents: '', madeAt, author: 'Tom', state: { model: 'Review', says } });
  const [settled] = read([annotation(), state('Completed', 2000)]).threads;
  expect(settled.settled).toEqual({ by: 'Tom', at: 2000 });
  const [open] = read([annotation(), state('Completed', 2000), state('None', 3000)]).threads;
  expect(open.settled).toBeNull();
  const [said] = read([annotation(), state('Rejected', 2000)]).threads;
  expect(said).toMatchObject({ settled: null, remarks: [{ text: 'Why?' }, { text: 'Rejected.' }] });
});

test('each stroke of a drawing is ink of its own, and all of them belong together', () => {
  const { marks, threads } = read([annotation({ name: 'i', sketch: STROKES, contents: '' })]);
  expect(marks.map(({ id, group, kind }) => [id, group, kind])).toEqual([
    ['i', 'i', 'ink'],
    ['i.2', 'i', 'ink'],
  ]);
  expect(threads).toEqual([]);
});

test('a group is picked together, and is called by what leads it', () => {
  const { marks } = read([
    annotation({ name: 'one' }),
    annotation({ name: 'two', answers: { to: 0, as: 'group' } }),
    annotation({ name: 'alone' }),
  ]);
  expect(marks.map(({ group }) => group)).toEqual(['one', 'one', undefined]);
});

test('names that are missing, shared or endless are no ids; the same file gives the same ones', () => {
  const all = ['x', 'x', '', 'y'.repeat(3000)].map((name) => annotation({ name }));
  const idsOf = (annotations: readonly Annotation[]) => read(annotations).marks.map(({ id }) => id);
  const ids = idsOf(all);
  expect(new Set(ids).size).toBe(4);
  expect(ids.every((id) => /^annotation-1-[-\w]{16,20}$/.test(id))).toBe(true);
  expect(idsOf(all)).toEqual(ids);
  // It is called by what it is, not by where it stands: what others add does not take its name.
  const one = annotation({ contents: 'Mine.' });
  const [alone] = idsOf([one]);
  expect(idsOf([annotation(), one]).at(-1)).toBe(alone);
  expect(idsOf([annotation()])).not.toEqual([alone]);
});

test('what cannot be seen, says nothing, lies on no page or is of no kind is left', () => {
  const { marks, taken } = read([
    annotation({ shown: false }),
    annotation({ contents: ' ' }),
    annotation({ page: 2 }),
    annotation({ subtype: 'Stamp', sketch: null }),
  ]);
  expect(marks).toEqual([]);
  expect(taken.size).toBe(0);
});

test('who answers in a circle answers nobody, and the end comes', () => {
  const { threads } = read([annotation(), answer(2), answer(1), answer(7)]);
  expect(threads).toMatchObject([{ remarks: [{ text: 'Why?' }] }]);
});

test('numbers of a size that nothing has leave an annotation where it is', () => {
  const far = 1e12;
  for (const sketch of [
    { ...STROKES, width: 1e9 },
    { ...STROKES, lines: [[{ x: far, y: Infinity }]] },
    {
      subtype: 'Square',
      corners: [
        { x: 0, y: 0 },
        { x: far, y: NaN },
      ],
      width: 1,
    },
  ] as AnnotationSketch[])
    expect(read([annotation({ sketch })])).toMatchObject({ marks: [], threads: [] });
});
