import { openingsInWords } from './openingsInWords';

const NOW = 1_760_000_000_000;
const ago = (...minutes: number[]): number[] => minutes.map((m) => NOW - m * 60_000);

test.each([
  [{ count: 0, times: [], withdrawn: false }, 'Not opened yet'],
  [{ count: 0, times: [], withdrawn: true }, 'Never opened. Withdrawn'],
  [{ count: 1, times: ago(0), withdrawn: false }, 'Opened once, just now'],
  [{ count: 2, times: ago(7, 90), withdrawn: false }, 'Opened twice, last 7 min ago'],
  [{ count: 31, times: ago(130), withdrawn: true }, 'Opened 31 times, last 2 h ago. Withdrawn'],
])('%o is said so', (openings, words) => {
  expect(openingsInWords(openings, NOW)).toBe(words);
});
