// Packs what packs well once, so that the server packs nothing again for each guest.
import { readdir, readFile, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';

const dist = join(import.meta.dirname, '../dist');
const PACKED = /\.(js|mjs|css|json|svg|wasm|ttf|txt)$/;
/** What every build writes anew under the same name: should the one be changed, the other must not be sent. */
const NEVER = /^(index\.html|sw\.js|metadata\.json)$/;
/** Smaller files are sent as they are, bytes. */
const LEAST = 1024;

const brotli = (bytes) =>
  promisify(brotliCompress)(bytes, {
    params: {
      // The next tenth would take ten times as long.
      [constants.BROTLI_PARAM_QUALITY]: 9,
      [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length,
    },
  });

const started = Date.now();
let [before, after] = [0, 0];
const names = (await readdir(dist, { recursive: true })).filter(
  (name) => PACKED.test(name) && !NEVER.test(name),
);
const pack = async (name) => {
  const file = join(dist, name);
  if ((await stat(file)).size < LEAST) return;
  const bytes = await readFile(file);
  const [br, gz] = await Promise.all([brotli(bytes), promisify(gzip)(bytes, { level: 9 })]);
  await writeFile(`${file}.br`, br);
  await writeFile(`${file}.gz`, gz);
  before += bytes.length;
  after += br.length;
};
// Node's own threads do the work; a few files at once keep them busy.
const waiting = [...names];
await Promise.all(
  Array.from({ length: 4 }, async () => {
    for (let name = waiting.pop(); name; name = waiting.pop()) await pack(name);
  }),
);
const seconds = ((Date.now() - started) / 1000).toFixed(1);
console.log(
  `Packed: ${(before / 1e6).toFixed(1)} MB to ${(after / 1e6).toFixed(1)} MB, ${seconds} s.`,
);
