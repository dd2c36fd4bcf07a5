import { wordsOfRun } from './printedWords';

test('the words of a run lie along it, whichever way it is turned', () => {
  const level = wordsOfRun({
    str: ' upper  shore',
    transform: [10, 0, 0, 10, 100, 200],
    width: 65,
  });
  expect(level.map(({ text }) => text)).toEqual(['upper', 'shore']);
  expect(level[0]).toMatchObject({ minX: 105, maxX: 130 });
  expect(level[1]).toMatchObject({ minX: 140, maxX: 165 });
  expect(level[0].minY).toBeCloseTo(197.8);
  expect(level[0].maxY).toBeCloseTo(207.8);
  const [upright] = wordsOfRun({ str: 'kelp', transform: [0, 10, -10, 0, 100, 200], width: 20 });
  expect(upright).toMatchObject({ minY: 200, maxY: 220 });
  expect(upright.maxX).toBeCloseTo(102.2);
  expect(wordsOfRun({ str: '   ', transform: [1, 0, 0, 1, 0, 0], width: 3 })).toEqual([]);
});
