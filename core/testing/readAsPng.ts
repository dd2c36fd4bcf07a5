import { deflateSync } from 'node:zlib';
import { PNG } from 'pngjs';

/** A PNG of rows that are predicted already (ISO 15948 §5), read by a library that knows nothing of us. */
export function readAsPng(
  rows: Uint8Array,
  width: number,
  height: number,
  components: 1 | 3,
): Uint8Array {
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
