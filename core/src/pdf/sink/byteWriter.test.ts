import fc from 'fast-check';
import { ByteWriter } from './byteWriter.ts';

const written = (writer: ByteWriter): string => new TextDecoder('latin1').decode(writer.view());

test('numbers are written as they are, whatever their size and sign', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: -999_999_999, max: 999_999_999 })), (numbers) => {
      const writer = new ByteWriter();
      for (const n of numbers) {
        writer.integer(n);
        writer.byte(32);
      }
      expect(written(writer)).toBe(numbers.map((n) => `${n} `).join(''));
    }),
  );
  const zero = new ByteWriter();
  zero.integer(-0);
  expect(written(zero)).toBe('0');
});

test('a writer grows as needed and keeps what was written', () => {
  const writer = new ByteWriter();
  expect(writer.isEmpty).toBe(true);
  const text = 'q 1 0 0 1 5 5 cm\n'.repeat(3000);
  writer.text(text);
  writer.text('Q');
  expect(written(writer)).toBe(`${text}Q`);
  expect(writer.isEmpty).toBe(false);
});
