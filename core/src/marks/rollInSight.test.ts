import fc from 'fast-check';
import { FIRST_ROLL, INSTRUMENTS } from './instrument.ts';
import { rollInSight } from './rollInSight.ts';

const ids = (all: readonly { id: string }[]): string[] => all.map(({ id }) => id);

test('where there is room everything that writes is shown, in the roll’s order', () => {
  const { writing, rest, eraser, picker } = rollInSight(FIRST_ROLL, ['figure-pen'], 9);
  expect(ids(writing)).toEqual(
    ids([...FIRST_ROLL.slice(0, 5), ...FIRST_ROLL.slice(7, 9), FIRST_ROLL[10]]),
  );
  // Of two pickers one is in sight.
  expect(ids(rest)).toEqual(['word-picker']);
  expect([eraser?.id, picker?.id]).toEqual(['eraser', 'picker']);
});

test('where there is little, what was used last is shown, still in the roll’s order', () => {
  const { writing, rest } = rollInSight(FIRST_ROLL, ['figure-pen', 'eraser', 'marking-pen'], 3);
  expect(ids(writing)).toEqual(['marking-pen', 'figure-pen']);
  expect(ids(rest)).toEqual([
    'fine-pen',
    'broad-highlighter',
    'fine-highlighter',
    'word-highlighter',
    'word-underliner',
    'answer-text',
    'word-picker',
  ]);
});

test('of several erasers the one used last is in sight, the other among the rest', () => {
  const roll = [FIRST_ROLL[0], ...INSTRUMENTS.filter(({ kind }) => kind === 'eraser')];
  const { eraser, rest } = rollInSight(roll, ['part-eraser'], 4);
  expect(eraser?.id).toBe('part-eraser');
  expect(ids(rest)).toEqual(['eraser']);
});

test('nothing of the roll is lost, what is in hand is in sight', () => {
  const roll = fc.shuffledSubarray([...INSTRUMENTS], { minLength: 1 });
  const used = fc.shuffledSubarray(ids(INSTRUMENTS), { minLength: 1 });
  fc.assert(
    fc.property(roll, used, fc.integer({ min: 2, max: 12 }), (all, last, room) => {
      const { writing, rest, eraser, picker } = rollInSight(all, last, room);
      const seen = [...writing, eraser, picker].filter((i) => i !== null);
      expect(ids([...seen, ...rest]).sort()).toEqual(ids(all).sort());
      expect(writing.length + (rest.length > 0 ? 1 : 0)).toBeLessThanOrEqual(room);
      const held = last.find((id) => all.some((i) => i.id === id));
      if (held) expect(ids(seen)).toContain(held);
    }),
  );
});
