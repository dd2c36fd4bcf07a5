import fc from 'fast-check';
import { plainPage } from '../../geometry/index.ts';
import { usualRuling } from '../../paper/index.ts';
import { changeFor, PART_ARBITRARIES, plainState, put } from '../../../testing/parts.ts';
import { pageRefsFor } from '../../../testing/marks.ts';
import { emptyDocument, findPage } from '../state.ts';
import { applyTransaction, invertTransaction, type Transaction } from '../transaction.ts';
import { cropPage, paperPage, turnPage } from './page.ts';
import {
  fromPartRecord,
  type PartName,
  PART_NAMES,
  PartRecordError,
  samePart,
  toPartRecord,
} from './parts.ts';

/** What storage does with a record: through JSON and back. */
const stored = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

test.each([...PART_NAMES])('a %s comes back from its record as it was', (part: PartName) => {
  fc.assert(
    fc.property(PART_ARBITRARIES[part] as fc.Arbitrary<never>, (value) => {
      const back = fromPartRecord(part, stored(toPartRecord(part, value)));
      expect(back).toEqual(value);
      expect(samePart(part, back, value)).toBe(true);
    }),
  );
});

test.each([...PART_NAMES])(
  'what is no %s is refused, whatever of it is damaged',
  (part: PartName) => {
    fc.assert(
      fc.property(PART_ARBITRARIES[part] as fc.Arbitrary<object>, fc.nat(), (value, pick) => {
        const record = stored(toPartRecord(part, value as never)) as Record<string, unknown>;
        const keys = Object.keys(record).filter((key) => !['locked', 'left'].includes(key));
        const key = keys[pick % keys.length];
        expect(() => fromPartRecord(part, { ...record, [key]: { not: 'this' } })).toThrow(
          PartRecordError,
        );
      }),
    );
    for (const value of [null, undefined, 3, 'x', [], {}])
      expect(() => fromPartRecord(part, value)).toThrow(PartRecordError);
  },
);

test('any sequence of changes of parts, undone, gives the first state', () => {
  fc.assert(
    fc.property(fc.array(put, { maxLength: 30 }), fc.array(put, { maxLength: 6 }), (all, first) => {
      const pages = pageRefsFor([plainPage(100, 200), plainPage(300, 200)]);
      let state = emptyDocument(pages);
      const make = (transaction: Transaction): void => {
        const applied = applyTransaction(state, transaction);
        if (!applied.ok) throw new Error(applied.reason);
        state = applied.state;
      };
      for (const one of first) make({ label: 'First', changes: [changeFor(state, one)] });
      const before = plainState(state);
      const done: Transaction[] = [];
      for (const one of all) {
        const transaction = { label: 'Change', changes: [changeFor(state, one)] };
        make(transaction);
        done.push(transaction);
      }
      for (const transaction of done.reverse()) make(invertTransaction(transaction));
      expect(plainState(state)).toEqual(before);
    }),
  );
});

test('a page that is turned and cut down is seen so, and whole again is as it came', () => {
  fc.assert(
    fc.property(
      PART_ARBITRARIES.page,
      fc.constantFrom(0 as const, 90 as const, 180 as const, 270 as const),
      (page, turn) => {
        const came = cropPage(turnPage(page, 0), null);
        const turned = turnPage(came, turn);
        expect(turned.rotate).toBe((came.rotate + turn) % 360);
        const { minX, minY, maxX, maxY } = came.sheet;
        const half = { minX: minX - 10, minY, maxX: (minX + maxX) / 2, maxY };
        const cut = cropPage(turned, half);
        expect(cut.box).toEqual({ ...half, minX });
        expect(cropPage(cut, { minX: maxX + 1, minY, maxX: maxX + 2, maxY }).crop).toBeNull();
        expect(turnPage(cropPage(cut, null), 0)).toEqual(came);
      },
    ),
  );
});

test('pages stand by their order, whoever puts them in first', () => {
  const pages = pageRefsFor([plainPage(10, 10), plainPage(10, 10)]);
  const paper = (id: string, order: number) =>
    paperPage(id, order, { width: 10, height: 10 }, usualRuling('dotted'));
  const added = (ids: readonly string[]) =>
    ids.reduce((state, id) => {
      const value = paper(id, id === 'z' ? 7 : 0.5);
      const change = changeFor(state, { part: 'page', value });
      const applied = applyTransaction(state, { label: 'Add', changes: [change] });
      if (!applied.ok) throw new Error(applied.reason);
      return applied.state;
    }, emptyDocument(pages));
  for (const ids of [
    ['a', 'b', 'z'],
    ['z', 'b', 'a'],
  ])
    expect(added(ids).pages.map(({ id }) => id)).toEqual(['p0', 'a', 'b', 'p1', 'z']);
  expect(findPage(added(['a']), 'a')?.shows).toEqual({ paper: usualRuling('dotted') });
});
