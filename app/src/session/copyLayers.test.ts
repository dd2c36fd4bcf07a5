import { type DocState, emptyDocument, marksOn } from '@marginalis/core/document';
import { plainPage } from '@marginalis/core/geometry';
import type { MarkRecord } from '@marginalis/core/marks';
import type { MarkLayer } from '@marginalis/core/pdf';
import { wavePath } from '../../../core/testing/hand';
import { pageRefsFor, written } from '../../../core/testing/marks';
import { CopyLayers } from './copyLayers';

const pages = pageRefsFor([plainPage(300, 400), plainPage(300, 400), plainPage(300, 400)]);
const stroke = (page: number, id: string) => ({
  page,
  id,
  path: wavePath({ x: 40, y: 100 }, 80, 6, 2),
});
const layer = (count: number): MarkLayer => ({
  ...{ form: null, count, covered: [], takenOut: [], redacted: [], bars: null },
});

let state: DocState;
let asked: (readonly MarkRecord[])[];
let answers: ((value: MarkLayer | null) => void)[];
let layers: CopyLayers;
beforeEach(() => {
  jest.useFakeTimers();
  state = written(pages, [stroke(0, 'a'), stroke(2, 'b'), stroke(2, 'c')]);
  asked = [];
  answers = [];
  layers = new CopyLayers({
    current: () => state,
    encode: (marks) => {
      asked.push(marks);
      return new Promise((resolve) => answers.push(resolve));
    },
    whenIdle: (act) => act(),
  });
});
afterEach(() => {
  layers.stop();
  jest.useRealTimers();
});

const pass = async (ms: number): Promise<void> => {
  jest.advanceTimersByTime(ms);
  for (let i = 0; i < 5; i++) await Promise.resolve();
};
const answer = async (value: MarkLayer | null): Promise<void> => {
  answers.shift()?.(value);
  await pass(0);
};

test('pages with marks are encoded one by one when it is quiet, and each once', async () => {
  layers.touch();
  await pass(2_000);
  layers.touch();
  await pass(2_000);
  expect(asked).toHaveLength(0);
  await pass(1_000);
  expect(asked.map((marks) => marks.map(({ id }) => id))).toEqual([['a']]);
  await answer(layer(1));
  expect(asked.at(-1)?.map(({ id }) => id)).toEqual(['b', 'c']);
  await answer(layer(2));
  expect(asked).toHaveLength(2);
  expect([...layers.known(state)]).toEqual([
    ['p0', layer(1)],
    ['p2', layer(2)],
  ]);
  layers.touch();
  await pass(5_000);
  expect(asked).toHaveLength(2);
});

test('a page that changes is not known any more; the others are', async () => {
  layers.touch();
  await pass(3_000);
  await answer(layer(1));
  await answer(layer(2));
  state = { ...state, marks: new Map([...state.marks, ['p0', new Map(marksOn(state, 'p2'))]]) };
  expect([...layers.known(state).keys()]).toEqual(['p2']);
  layers.touch();
  await pass(3_000);
  expect(asked).toHaveLength(3);
});

test('what could not be encoded is not tried again until it changes, and does not stop the others', async () => {
  layers.touch();
  await pass(3_000);
  await answer(null);
  await answer(layer(2));
  expect([...layers.known(state).keys()]).toEqual(['p2']);
  layers.touch();
  await pass(3_000);
  expect(asked).toHaveLength(2);
});

test('a change while a page is being encoded makes the rest wait', async () => {
  layers.touch();
  await pass(3_000);
  layers.touch();
  await answer(layer(1));
  expect(asked).toHaveLength(1);
  await pass(3_000);
  expect(asked).toHaveLength(2);
});

test('nothing is begun after the end', async () => {
  layers.touch();
  layers.stop();
  await pass(9_000);
  layers.touch();
  await pass(9_000);
  expect(asked).toHaveLength(0);
  expect(layers.known(emptyDocument(pages)).size).toBe(0);
});

test('a full page waits longer for its writer to be done with it', async () => {
  const [mark] = marksOn(state, 'p0').values();
  const many = new Map(Array.from({ length: 700 }, (_, i) => [`m${i}`, { ...mark, id: `m${i}` }]));
  state = { ...state, marks: new Map([['p0', many]]) };
  layers.touch();
  await pass(4_000);
  expect(asked).toHaveLength(0);
  await pass(3_500);
  expect(asked).toHaveLength(1);
});
