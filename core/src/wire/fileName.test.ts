import fc from 'fast-check';
import { fileStem, pdfFileName } from './fileName.ts';

test.each([
  ['Zones – marked.pdf', 'Zones – marked.pdf'],
  ['tides.PDF', 'tides.pdf'],
  ['evil.js', 'evil.js.pdf'],
  ['evil.html\u0000.pdf', 'evil.html.pdf'],
  ['../../etc/passwd', 'etc passwd.pdf'],
  ['gnp.\u202efdp', 'gnp. fdp.pdf'],
  ['a"b\r\nset-cookie: x', 'a b set-cookie x.pdf'],
  ['   ', 'Document.pdf'],
  ['.pdf', 'Document.pdf'],
  ['Zeitpläne & Łódź', 'Zeitpläne & Łódź.pdf'],
])('%p is served as %p', (given, name) => {
  expect(pdfFileName(given)).toBe(name);
});

test('whatever a name is, what is served ends as a PDF, stays short and holds nothing a system refuses', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary', maxLength: 400 }), (given) => {
      const name = pdfFileName(given);
      expect(name).toMatch(/^[^\\/:*?"<>|\u0000-\u001f\u202a-\u202e]+\.pdf$/);
      expect([...name].length).toBeLessThanOrEqual(154);
      expect(pdfFileName(name)).toBe(name);
    }),
  );
});

test('a stem is cut between letters, not within one', () => {
  expect(fileStem('🦀🦀🦀', 2)).toBe('🦀🦀');
});
