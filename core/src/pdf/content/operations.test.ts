import fc from 'fast-check';
import { ascii } from '../../../testing/rawPdf.ts';
import { latin1, type Operand, operationsOf } from './operations.ts';

const said = (one: Operand): unknown =>
  one.is === 'string' || one.is === 'dictionary'
    ? latin1(one.value)
    : one.is === 'array'
      ? one.value.map(said)
      : one.is === 'other'
        ? null
        : one.value;
const read = (text: string): unknown[] =>
  operationsOf(ascii(text)).map(({ operator, operands }) => [operator, ...operands.map(said)]);

test('operators are read with what stands before them', () => {
  expect(read('q 1 0 0 -1.5 .5 +3 cm /F1 12 Tf % no\n(a\\(b\\)\\101\\n(c)) Tj Q')).toEqual([
    ['q'],
    ['cm', 1, 0, 0, -1.5, 0.5, 3],
    ['Tf', 'F1', 12],
    ['Tj', 'a(b)A\n(c)'],
    ['Q'],
  ]);
  expect(read('[(A) -120 <42 43>(D)] TJ /P <</MCID 3 /ActualText (x>>y)>> BDC')).toEqual([
    ['TJ', ['A', -120, 'BC', 'D']],
    ['BDC', 'P', '<</MCID 3 /ActualText (x>>y)>>'],
  ]);
  expect(read('/A#20B gs true (\\\r\nx\\7\\53) Tj')).toEqual([
    ['gs', 'A B'],
    ['Tj', null, 'x\u0007+'],
  ]);
});

test('the data of inline images is stepped over, and damage ends nowhere', () => {
  expect(read('BI /W 1 ID (( Tj EI q').map((one) => (one as unknown[])[0])).toEqual([
    'BI',
    'ID',
    'q',
  ]);
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 200 }), (bytes) => {
      const found = operationsOf(bytes);
      let last = 0;
      for (const { from, to } of found) {
        expect(from).toBeGreaterThanOrEqual(last);
        expect(to).toBeGreaterThan(from);
        expect(to).toBeLessThanOrEqual(bytes.length);
        last = to;
      }
    }),
  );
});

test('each operation is found where it is written', () => {
  const text = 'q  1 2 Td\n(x) Tj';
  const [, move, show] = operationsOf(ascii(text));
  expect(text.slice(move.from, move.to)).toBe('1 2 Td');
  expect(text.slice(show.from, show.to)).toBe('(x) Tj');
});
