import fc from 'fast-check';
import { plainPage } from '../geometry/index.ts';
import {
  attachmentName,
  countPage,
  fileFacts,
  kindOfPages,
  NO_PAGES,
  pageSizes,
  pdfDate,
} from './index.ts';

test('dates as the standard writes them, and as programs do', () => {
  const at = (...parts: [number, number, number, number?, number?, number?]) => Date.UTC(...parts);
  // The example of ISO 32000-1 §7.9.4.
  expect(pdfDate("D:199812231952-08'00")).toBe(at(1998, 11, 24, 3, 52));
  expect(pdfDate('D:20261126140305Z')).toBe(at(2026, 10, 26, 14, 3, 5));
  expect(pdfDate("20261126140305+01'00'")).toBe(at(2026, 10, 26, 13, 3, 5));
  expect(pdfDate('D:2026')).toBe(at(2026, 0, 1));
  for (const none of ['', 'yesterday', 'D:20261326', 'D:20260230', 'D:2026112625'])
    expect(pdfDate(none)).toBeNull();
});

test('every date comes back from how it is written', () => {
  const time = fc.date({
    min: new Date('0001-01-01T00:00:00Z'),
    max: new Date('9999-12-30T00:00:00Z'),
    noInvalidDate: true,
  });
  fc.assert(
    fc.property(time, (date) => {
      const digits = date.toISOString().replace(/\D/g, '').slice(0, 14);
      expect(pdfDate(`D:${digits}Z`)).toBe(Math.floor(date.getTime() / 1000) * 1000);
    }),
  );
});

test('facts are one line each, whatever stands there; what is no text is none', () => {
  const facts = fileFacts({
    Title: '  The shore\u0000\nbelow \u202ereversed ',
    Author: { evil: true },
    Keywords: 'x'.repeat(5_000),
    Producer: '',
    CreationDate: 'D:20261126',
    ModDate: 12,
    PDFFormatVersion: '<script>',
  });
  expect(facts).toMatchObject({
    title: 'The shore below reversed',
    author: null,
    producer: null,
    created: Date.UTC(2026, 10, 26),
    changed: null,
    version: null,
  });
  expect(facts.keywords).toHaveLength(301);
});

test('an attachment is saved under a name without a path', () => {
  expect(attachmentName('tide times.csv')).toBe('tide times.csv');
  expect(attachmentName('../../etc/pass"wd')).toBe('pass_wd');
  expect(attachmentName('C:\\data\\log.txt')).toBe('log.txt');
  for (const none of ['', '...', null, '/', 7]) expect(attachmentName(none)).toBe('attachment');
  fc.assert(
    fc.property(fc.string(), (name) => {
      const fit = attachmentName(name);
      expect(fit).not.toMatch(/[/\\\p{Cc}]/u);
      expect(fit.length).toBeGreaterThan(0);
    }),
  );
});

test('sizes of pages by their names, either way up, the most frequent first', () => {
  const a4 = plainPage(595.276, 841.89);
  expect(pageSizes([plainPage(300, 300), a4, plainPage(595, 842), { ...a4, rotate: 90 }])).toEqual([
    { name: 'A4', width: 210, height: 297, count: 2 },
    { name: null, width: 106, height: 106, count: 1 },
    { name: 'A4', width: 297, height: 210, count: 1 },
  ]);
});

test('what kind of document pages make', () => {
  const kind = (...pages: readonly (readonly [string, number])[]) =>
    kindOfPages(pages.reduce((counts, [text, share]) => countPage(counts, text, share), NO_PAGES));
  expect(kind(['words', 0], ['', 0])).toBe('text');
  expect(kind(['', 0.9], [' \n', 0.6], ['', 0.1])).toBe('scanned');
  expect(kind(['words', 1], ['', 0.9])).toBe('mixed');
  expect(kind(['', 0.2])).toBe('bare');
});
