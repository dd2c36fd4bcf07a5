import fc from 'fast-check';
import { readPdfDate, writePdfDate } from './dates.ts';

test('a date is read in its zone, and without one in that of Greenwich', () => {
  const noon = Date.UTC(2026, 9, 1, 12);
  expect(readPdfDate("D:20261001140000+02'00'")).toBe(noon);
  expect(readPdfDate('D:20261001063000-0530')).toBe(noon);
  expect(readPdfDate('20261001120000Z')).toBe(noon);
  expect(readPdfDate('D:202610011200')).toBe(noon);
  expect(readPdfDate('D:2026')).toBe(Date.UTC(2026, 0, 1));
  expect(readPdfDate('yesterday')).toBeNull();
  expect(readPdfDate('')).toBeNull();
});

test('a date that is written is read to the second', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 4e9 }), (seconds) => {
      expect(readPdfDate(writePdfDate(1000 * seconds + 321))).toBe(1000 * seconds);
    }),
  );
});
