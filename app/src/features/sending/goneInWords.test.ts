import { goneInWords } from './goneInWords';

test('what leads to pages that were taken out is counted in words', () => {
  expect(goneInWords({ entries: 0, bookmarks: 0 })).toBeNull();
  expect(goneInWords({ entries: 1, bookmarks: 0 })).toBe(
    '1 entry of the contents leads to pages that were taken out, and is left out of the copy.',
  );
  expect(goneInWords({ entries: 3, bookmarks: 1 })).toBe(
    '3 entries of the contents and 1 bookmark lead to pages that were taken out, and are left out of the copy.',
  );
});
