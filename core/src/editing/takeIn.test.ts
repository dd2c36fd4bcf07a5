import fc from 'fast-check';
import { done, markOf, pageRefsFor } from '../../testing/marks.ts';
import {
  applyTransaction,
  type Change,
  changeOf,
  type DocState,
  emptyDocument,
  findMark,
  markChange,
  type Remark,
  type Thread,
} from '../document/index.ts';
import { plainPage } from '../geometry/index.ts';
import type { NoteMark } from '../kinds/index.ts';
import { takeIn } from './takeIn.ts';

const pages = pageRefsFor([plainPage(300, 400), plainPage(300, 400)]);
const mark = (id: string, x = 10, page = 'p0'): NoteMark => ({
  ...{ kind: 'note', id, page, order: 1, madeAt: 1, at: { x, y: 20 }, quads: [] },
  style: { colour: '#c22f17', width: 1, opacity: 1 },
  quote: { exact: '', before: '', after: '' },
});
const remark = (id: string, text = id, editedAt: number | null = null): Remark => ({
  ...{ id, author: 'Ada', text, madeAt: Number(id.replace(/\D/g, '')) || 1, editedAt },
});
const thread = (remarks: readonly Remark[], part: Partial<Thread> = {}): Thread => ({
  ...{ id: 't', mark: 'm', remarks, settled: null, tags: [] },
  ...part,
});
const begun = (...changes: Change[]): DocState =>
  done(emptyDocument(pages), { label: 'Begin', changes });
const same = (page: string): string => page;
const taken = (state: DocState, ...changes: Change[]): DocState => {
  const { transaction } = takeIn(state, changes, same);
  return transaction ? done(state, transaction) : state;
};

test('what is new comes above the rest, on the page that it lies on here; brought in twice it is there once', () => {
  const state = begun(markChange(null, mark('m')));
  const change = markChange(null, mark('new', 30, 'theirs'));
  const onSecond = takeIn(state, [change], () => 'p1');
  expect(onSecond.transaction?.changes).toMatchObject([{ after: { page: 'p1', order: 1 } }]);
  const after = taken(state, markChange(null, mark('new')));
  expect(markOf(after, 'new').order).toBe(2);
  expect(takeIn(after, [markChange(null, mark('new'))], same).transaction).toBeNull();
  expect(takeIn(state, [change], () => null).transaction).toBeNull();
});

test('what was changed or taken out elsewhere is so here, unless it has been changed here too', () => {
  const state = begun(markChange(null, mark('m')), markChange(null, mark('n')));
  const moved = markChange(mark('m'), mark('m', 99));
  expect(markOf(taken(state, moved), 'm')).toMatchObject({ at: { x: 99 } });
  expect(findMark(taken(state, markChange(mark('n'), null)), 'n')).toBeNull();
  const here = done(state, { label: 'Move', changes: [markChange(mark('m'), mark('m', 50))] });
  for (const change of [moved, markChange(mark('m'), null)])
    expect(takeIn(here, [change], same)).toEqual({ transaction: null, kept: 1 });
});

test('answers of both stay, in order of time, and of a remark that both have changed the later', () => {
  const base = thread([remark('r1', 'Why?')]);
  const state = begun(markChange(null, mark('m')), changeOf('thread', null, base));
  const mine = { ...base, remarks: [remark('r1', 'Why so?', 50), remark('r9', 'Mine')] };
  const here = done(state, { label: 'Answer', changes: [changeOf('thread', base, mine)] });
  const theirs = { ...base, remarks: [remark('r1', 'Why then?', 60), remark('r5', 'Theirs')] };
  const both = taken(here, changeOf('thread', base, theirs)).threads.get('t');
  expect(both?.remarks.map(({ text }) => text)).toEqual(['Why then?', 'Theirs', 'Mine']);
  const earlier = { ...theirs, remarks: [remark('r1', 'Why then?', 40)] };
  const kept = taken(here, changeOf('thread', base, earlier)).threads.get('t');
  expect(kept?.remarks.map(({ text }) => text)).toEqual(['Why so?', 'Mine']);
});

test('what was settled elsewhere is settled here, and what was said there of a mark that is gone here is not said', () => {
  const base = thread([remark('r1')]);
  const state = begun(markChange(null, mark('m')), changeOf('thread', null, base));
  const settled = { ...base, settled: { by: 'Tom', at: 9 } };
  const change = changeOf('thread', base, settled);
  expect(taken(state, change).threads.get('t')?.settled).toEqual({ by: 'Tom', at: 9 });
  const gone = done(state, {
    label: 'Remove',
    changes: [markChange(mark('m'), null), changeOf('thread', base, null)],
  });
  expect(takeIn(gone, [change], same).transaction).toBeNull();
  const about = changeOf('thread', null, thread([remark('r7')], { id: 'u' }));
  expect(takeIn(gone, [about], same).transaction).toBeNull();
});

test('whatever was done here and there, it can be taken in, and taken in again does nothing', () => {
  const place = fc.integer({ min: 0, max: 3 });
  const side = fc.record({ m: fc.option(place), n: fc.option(place), said: fc.option(place) });
  fc.assert(
    fc.property(side, side, (here, there) => {
      const base = thread([remark('r1')]);
      const all: Change[] = [
        ...['m', 'n'].map((id) => markChange(null, mark(id, 0))),
        changeOf('thread', null, base),
      ];
      const changesFor = ({ m, n, said }: typeof here, name: string): Change[] => [
        ...Object.entries({ m, n }).flatMap(([id, x]) =>
          x === 0 ? [] : [markChange(mark(id, 0), x === null ? null : mark(id, x))],
        ),
        ...(m === null
          ? [changeOf('thread', base, null)]
          : said === null
            ? []
            : [
                changeOf('thread', base, {
                  ...base,
                  remarks: [...base.remarks, remark(`${name}${said}`)],
                }),
              ]),
      ];
      const mine = done(begun(...all), { label: 'Here', changes: changesFor(here, 'h') });
      const changes = changesFor(there, 't');
      const { transaction } = takeIn(mine, changes, same);
      if (!transaction) return;
      const applied = applyTransaction(mine, transaction);
      expect(applied.ok).toBe(true);
      if (applied.ok) expect(takeIn(applied.state, changes, same).transaction).toBeNull();
    }),
  );
});
