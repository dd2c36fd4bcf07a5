import { deflateSync, inflateSync } from 'node:zlib';
import fc from 'fast-check';
import { PNG } from 'pngjs';
import { predicted } from './predicted.ts';

/** A PNG of rows that are predicted already (ISO 15948 §5), read by a library that knows nothing of us. */
function readAsPng(rows: Uint8Array, width: number, height: number, components: 1 | 3): Uint8Array {
  const chunk = (name: string, data: Uint8Array): Buffer => {
    const body = Buffer.concat([Buffer.from(name, 'latin1'), data]);
    const out = Buffer.alloc(body.length + 8);
    out.writeUInt32BE(data.length, 0);
    body.copy(out, 4);
    return out;
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([8, components === 1 ? 0 : 2, 0, 0, 0], 8);
  const file = Buffer.concat([
    Buffer.from([137, 80, 78, 71, 13, 10, 26, 10]),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(rows)),
    chunk('IEND', new Uint8Array()),
  ]);
  return PNG.sync.read(file, { checkCRC: false } as never).data;
}

test('rows that are predicted read as the samples they were', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(1 as const, 3 as const),
      fc.integer({ min: 1, max: 9 }),
      fc.array(fc.nat(255), { minLength: 1, maxLength: 200 }),
      (components, width, levels) => {
        const row = width * components;
        const height = Math.max(1, Math.floor(levels.length / row));
        const samples = Uint8Array.from(
          { length: row * height },
          (_, k) => levels[k % levels.length],
        );
        const read = readAsPng(predicted(samples, width, components), width, height, components);
        const colours = [...read].filter((_, k) => k % 4 !== 3);
        const wanted = components === 3 ? [...samples] : [...samples].flatMap((g) => [g, g, g]);
        expect(colours).toEqual(wanted);
      },
    ),
  );
});

test('a slope packs far better than its samples do', () => {
  const slope = Uint8Array.from({ length: 64 * 64 }, (_, k) => (k % 64) * 2 + (k >> 6));
  const packed = deflateSync(predicted(slope, 64, 1));
  expect(packed.length).toBeLessThan(deflateSync(slope).length / 4);
  expect(inflateSync(packed)).toHaveLength(64 * 65);
});
