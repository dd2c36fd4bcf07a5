import fc from 'fast-check';
import { inkMark } from '../../testing/arbitraries.ts';
import type { Mark } from '../kinds/index.ts';
import type { MarkId } from '../marks/index.ts';
import { PageMap } from './pageMap.ts';
import { fromTop, topOrder } from './state.ts';

const [like] = fc.sample(inkMark, { seed: 1, numRuns: 1 });
const mark = (id: MarkId, order: number): Mark => ({ ...like, id, order });

/** Some ids changed at once: an order for a mark that comes or changes, null for one that goes. */
const steps = fc.array(
  fc.array(fc.tuple(fc.integer({ min: 0, max: 900 }), fc.option(fc.integer({ min: 1, max: 99 }))), {
    maxLength: 120,
  }),
  { maxLength: 30 },
);

const sorted = (all: Iterable<readonly [MarkId, Mark]>) =>
  [...all].sort(([a], [b]) => (a < b ? -1 : 1));

test('whatever happens to it, it holds what a plain map holds, and earlier ones stay as they were', () => {
  fc.assert(
    fc.property(steps, (all) => {
      const plain = new Map<MarkId, Mark>();
      let map: ReadonlyMap<MarkId, Mark> = new Map();
      for (const step of all) {
        const changes = new Map(
          step.map(([n, order]) => [`m${n}`, order === null ? null : mark(`m${n}`, order)]),
        );
        const before = map;
        const held = sorted(before.entries());
        map = PageMap.changed(map, changes);
        expect(sorted(before.entries())).toEqual(held);
        for (const [id, to] of changes)
          if (to) plain.set(id, to);
          else plain.delete(id);
      }
      expect(map.size).toBe(plain.size);
      expect(sorted(map)).toEqual(sorted(plain));
      expect([...map.keys()].sort()).toEqual([...plain.keys()].sort());
      expect([...map.values()]).toHaveLength(plain.size);
      for (let n = 0; n <= 900; n += 7) {
        expect(map.get(`m${n}`)).toBe(plain.get(`m${n}`));
        expect(map.has(`m${n}`)).toBe(plain.has(`m${n}`));
      }
      const orders = [...fromTop(map, 50)].map(({ order }) => order);
      const wanted = [...plain.values()].map(({ order }) => order).filter((o) => o < 50);
      expect(orders).toEqual(wanted.sort((a, b) => b - a));
      const seen: MarkId[] = [];
      map.forEach((_, id) => seen.push(id));
      expect(seen).toEqual([...map.keys()]);
      expect(topOrder(map)).toBe(Math.max(0, ...[...plain.values()].map(({ order }) => order)));
    }),
  );
});

test('a change shares the base; many changes make a new one', () => {
  const base = new Map(Array.from({ length: 2000 }, (_, n) => [`m${n}`, mark(`m${n}`, n + 1)]));
  let map = PageMap.changed(base, new Map([['m5', null]]));
  expect(PageMap.partsOf(map).base).toBe(base);
  expect(PageMap.partsOf(map).patch.size).toBe(1);
  for (let n = 0; n < 600; n++)
    map = PageMap.changed(map, new Map([[`n${n}`, mark(`n${n}`, 3000)]]));
  expect(PageMap.partsOf(map).base).not.toBe(base);
  expect(map.size).toBe(2599);
});
