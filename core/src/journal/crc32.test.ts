import { crc32 as nodeCrc32 } from 'node:zlib';
import fc from 'fast-check';
import { crc32 } from './crc32.ts';

test('the checksum of a text is what zlib gives over the same bytes, low byte first', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme' }), (text) => {
      const wanted = nodeCrc32(Buffer.from(text, 'utf16le')).toString(16).padStart(8, '0');
      expect(crc32(text)).toBe(wanted);
    }),
  );
});
