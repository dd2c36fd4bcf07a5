import { promisify } from 'node:util';
import { deflate as zlibDeflate } from 'node:zlib';

const zlib = promisify(zlibDeflate);

/** RFC 1950 by Node. */
export const deflate = async (bytes: Uint8Array): Promise<Uint8Array> =>
  new Uint8Array(await zlib(bytes));
