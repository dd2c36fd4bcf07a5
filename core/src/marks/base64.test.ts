import fc from 'fast-check';
import { fromBase64, fromBase64ByHand, toBase64, toBase64ByHand } from './base64.ts';

test('any bytes come back, by hand and by the platform, and are what Node says', () => {
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 200 }), (bytes) => {
      const text = Buffer.from(bytes).toString('base64');
      expect([toBase64(bytes), toBase64ByHand(bytes)]).toEqual([text, text]);
      expect([fromBase64(text), fromBase64ByHand(text)]).toEqual([bytes, bytes]);
    }),
  );
});

test('megabytes come back as they were', () => {
  const bytes = Uint8Array.from({ length: 3_000_001 }, (_, i) => (i * 7 + (i >> 8)) & 255);
  expect(toBase64ByHand(bytes) === Buffer.from(bytes).toString('base64')).toBe(true);
  expect(Buffer.compare(fromBase64ByHand(toBase64ByHand(bytes)), bytes)).toBe(0);
});

test.each(['A', 'AAA', 'AA=A', '====', 'AAAA====', 'AB!D', 'ABCé', 'A==='])(
  '%p is no base64',
  (text) => {
    expect(() => fromBase64ByHand(text)).toThrow(RangeError);
  },
);
