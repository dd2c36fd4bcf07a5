import fc from 'fast-check';
import { FIRST_ROLL, INSTRUMENTS } from './instrument.ts';
import {
  addToRoll,
  changeInRoll,
  MOST_INSTRUMENTS,
  moveInRoll,
  removeFromRoll,
  type Roll,
} from './penRoll.ts';

const ids = (roll: Roll): string[] => roll.map((i) => i.id);

test('a copy stands beside its original', () => {
  const roll = addToRoll(FIRST_ROLL, FIRST_ROLL[1], 'copy', FIRST_ROLL[1].id);
  expect(ids(roll).slice(1, 3)).toEqual([FIRST_ROLL[1].id, 'copy']);
  expect(ids(addToRoll(FIRST_ROLL, INSTRUMENTS[7], 'new')).at(-1)).toBe('new');
});

test('whatever is done, ids stay apart, the roll stays bounded, and something that writes stays', () => {
  const act = fc.oneof(
    fc.record({ act: fc.constant('add' as const), which: fc.nat(INSTRUMENTS.length - 1) }),
    fc.record({ act: fc.constant('move' as const), from: fc.nat(25), to: fc.integer() }),
    fc.record({ act: fc.constant('remove' as const), from: fc.nat(25) }),
  );
  fc.assert(
    fc.property(fc.array(act, { maxLength: 40 }), (acts) => {
      let roll: Roll = FIRST_ROLL;
      acts.forEach((a, n) => {
        const before = ids(roll).sort();
        if (a.act === 'add') roll = addToRoll(roll, INSTRUMENTS[a.which], `n${n}`);
        else {
          const id = roll[a.from % roll.length].id;
          roll = a.act === 'move' ? moveInRoll(roll, id, a.to) : removeFromRoll(roll, id);
          if (a.act === 'move') expect(ids(roll).sort()).toEqual(before);
        }
        expect(new Set(ids(roll)).size).toBe(roll.length);
        expect(roll.length).toBeLessThanOrEqual(MOST_INSTRUMENTS);
        expect(roll.some((i) => i.kind !== 'eraser' && i.kind !== 'picker')).toBe(true);
      });
    }),
  );
});

test('changing an instrument leaves its id and every other alone', () => {
  const roll = changeInRoll(FIRST_ROLL, 'fine-pen', {
    widthMm: 2.5,
    id: 'other',
    kind: 'eraser',
  } as never);
  expect(roll[0]).toEqual({ ...FIRST_ROLL[0], widthMm: 2.5 });
  expect(roll.slice(1)).toEqual(FIRST_ROLL.slice(1));
});
