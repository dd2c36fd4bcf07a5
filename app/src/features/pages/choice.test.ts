import { behindBy, chosenTo, gapAt, toggled } from './choice';

const IDS = ['a', 'b', 'c', 'd', 'e'];

test('a page is chosen and let go, and all to another one at once', () => {
  expect([...toggled(new Set(['a']), 'b')]).toEqual(['a', 'b']);
  expect([...toggled(new Set(['a', 'b']), 'a')]).toEqual(['b']);
  expect([...chosenTo(new Set(['e']), IDS, 'c', 'b')].sort()).toEqual(['b', 'c', 'e']);
  expect([...chosenTo(new Set(), IDS, 'gone', 'b')]).toEqual(['b']);
});

test('pages that are moved by keys go on as one, from whichever of them it is done, and stop at the ends', () => {
  expect(behindBy(IDS, ['b'], 1)).toBe('c');
  expect(behindBy(IDS, ['b'], -1)).toBeNull();
  expect(behindBy(IDS, ['b', 'c'], 1)).toBe('d');
  expect(behindBy(IDS, ['b', 'c'], 3)).toBe('e');
  expect(behindBy(IDS, ['c', 'd'], -1)).toBe('a');
  // Those that stand apart gather where the first of them goes.
  expect(behindBy(IDS, ['b', 'e'], 1)).toBe('c');
});

test('what is dragged is between the cells that it is nearest to, in every row', () => {
  const cells = { count: 8, columns: 3, across: 100, down: 150 };
  expect(gapAt(cells, 10, 20)).toBe(0);
  expect(gapAt(cells, 60, 20)).toBe(1);
  expect(gapAt(cells, 290, 20)).toBe(3);
  expect(gapAt(cells, 120, 160)).toBe(4);
  expect(gapAt(cells, 250, 400)).toBe(8);
  expect(gapAt(cells, -40, 900)).toBe(6);
  expect(gapAt({ ...cells, count: 0 }, 50, 50)).toBe(0);
});
