import { mkdir, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { DOCUMENTS } from './documents.ts';

const folder = join(dirname(fileURLToPath(import.meta.url)), 'documents');
await mkdir(folder, { recursive: true });
for (const { file, make } of DOCUMENTS) {
  const bytes = await make();
  await writeFile(join(folder, file), bytes);
  console.log(`${file}  ${Math.round(bytes.length / 1024)} kB`);
}
const list = DOCUMENTS.map(({ file, title, onDesk }) => ({ file, title, onDesk }));
await writeFile(join(folder, 'index.json'), `${JSON.stringify(list, null, 2)}\n`);
