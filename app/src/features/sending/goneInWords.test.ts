import { goneInWords, waitingInWords } from './goneInWords';

test('what leads to pages that were taken out is counted in words', () => {
  expect(goneInWords({ entries: 0, bookmarks: 0 }, 0)).toBeNull();
  expect(goneInWords({ entries: 1, bookmarks: 0 }, 0)).toBe(
    '1 entry of the contents leads to what was taken out, and is left out of the copy.',
  );
  expect(goneInWords({ entries: 3, bookmarks: 1 }, 2)).toBe(
    '3 entries of the contents, 1 bookmark and 2 links lead to what was taken out, and are left out of the copy.',
  );
});

test('marks that wait for a place are counted', () => {
  expect(waitingInWords(0)).toBeNull();
  expect(waitingInWords(1)).toBe('1 mark waits for a place, and is not in the copy.');
  expect(waitingInWords(3)).toBe('3 marks wait for a place, and are not in the copy.');
});
