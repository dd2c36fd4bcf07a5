// Puts what pdf.js fetches at run time (its worker, character maps, standard fonts, decoders) into public/pdfjs.
import { cp, mkdir, rm } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const require = createRequire(import.meta.url);
const from = dirname(require.resolve('pdfjs-dist/package.json'));
const to = join(dirname(fileURLToPath(import.meta.url)), '..', 'public', 'pdfjs');

await rm(to, { recursive: true, force: true });
await mkdir(to, { recursive: true });
await cp(join(from, 'legacy/build/pdf.worker.min.mjs'), join(to, 'pdf.worker.min.mjs'));
for (const folder of ['cmaps', 'standard_fonts', 'wasm', 'iccs']) {
  await cp(join(from, folder), join(to, folder), { recursive: true });
}
