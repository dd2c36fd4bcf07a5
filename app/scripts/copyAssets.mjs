// Puts what pdf.js fetches at run time (its worker, character maps, standard fonts, decoders) into public/pdfjs, PDFium's program
// into public/pdfium, and the faces that the server's own pages are set in, which know no hashed names, into public/faces.
import { cp, mkdir, rm } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const require = createRequire(import.meta.url);
const from = dirname(require.resolve('pdfjs-dist/package.json'));
const open = join(dirname(fileURLToPath(import.meta.url)), '..', 'public');
const to = join(open, 'pdfjs');

await rm(to, { recursive: true, force: true });
await mkdir(to, { recursive: true });
await cp(join(from, 'legacy/build/pdf.worker.min.mjs'), join(to, 'pdf.worker.min.mjs'));
for (const folder of ['cmaps', 'standard_fonts', 'wasm', 'iccs']) {
  await cp(join(from, folder), join(to, folder), { recursive: true });
}

await mkdir(join(open, 'pdfium'), { recursive: true });
const pdfium = dirname(require.resolve('@embedpdf/pdfium/pdfium.wasm'));
await cp(join(pdfium, 'pdfium.wasm'), join(open, 'pdfium/pdfium.wasm'));
await cp(join(pdfium, '../LICENSE.pdfium'), join(open, 'pdfium/LICENSE'));

const FACES = {
  text: 'atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf',
  title: 'literata/600SemiBold/Literata_600SemiBold.ttf',
};
await mkdir(join(open, 'faces'), { recursive: true });
for (const [name, file] of Object.entries(FACES))
  await cp(require.resolve(`@expo-google-fonts/${file}`), join(open, 'faces', `${name}.ttf`));
