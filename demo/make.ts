import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { DOCUMENTS } from './documents.ts';
import { makePhotograph } from './makePhotograph.ts';

const folder = join(dirname(fileURLToPath(import.meta.url)), 'documents');
await mkdir(folder, { recursive: true });
for (const { file, make } of DOCUMENTS) {
  const bytes = await make();
  await writeFile(join(folder, file), bytes);
  console.log(`${file}  ${Math.round(bytes.length / 1024)} kB`);
}
const worksheet = await readFile(join(folder, 'rock-pool-zones.pdf'));
await writeFile(
  join(folder, 'photographed-sheet.jpg'),
  await makePhotograph(new Uint8Array(worksheet)),
);
const list = DOCUMENTS.map(({ file, title, onDesk }) => ({ file, title, onDesk }));
await writeFile(join(folder, 'index.json'), `${JSON.stringify(list, null, 2)}\n`);
