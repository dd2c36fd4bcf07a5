import { timeAgo } from './timeAgo';

const now = Date.UTC(2026, 4, 20, 12);
test.each([
  [0, 'Just now'],
  [59_000, 'Just now'],
  [60_000, '1 min ago'],
  [59 * 60_000, '59 min ago'],
  [3 * 3600_000, '3 h ago'],
  [30 * 3600_000, 'Yesterday'],
  [5 * 24 * 3600_000, '5 days ago'],
  [-5_000, 'Just now'],
])('%i ms before now is said as %p', (passed, words) => {
  expect(timeAgo(now - passed, now)).toBe(words);
});

test('longer ago is said as a date with its year', () => {
  expect(timeAgo(Date.UTC(2025, 1, 3, 12), now)).toMatch(/2025/);
});
