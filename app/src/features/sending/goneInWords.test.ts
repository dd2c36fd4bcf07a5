import { goneInWords } from './goneInWords';

test('what leads to pages that were taken out is counted in words', () => {
  expect(goneInWords({ entries: 0, bookmarks: 0 }, 0)).toBeNull();
  expect(goneInWords({ entries: 1, bookmarks: 0 }, 0)).toBe(
    '1 entry of the contents leads to what was taken out, and is left out of the copy.',
  );
  expect(goneInWords({ entries: 3, bookmarks: 1 }, 2)).toBe(
    '3 entries of the contents, 1 bookmark and 2 links lead to what was taken out, and are left out of the copy.',
  );
});
