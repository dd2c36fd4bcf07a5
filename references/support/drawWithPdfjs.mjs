// node drawWithPdfjs.mjs FILE DPI FOLDER PAGE …: draws pages with pdf.js, one PNG each. A process of its own: Jest's
// modules and pdf.js's do not go together.
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';

const require = createRequire(import.meta.url);
const home = dirname(require.resolve('pdfjs-dist/package.json'));
const pdfjs = await import('pdfjs-dist/legacy/build/pdf.mjs');
const { createCanvas } = createRequire(join(home, 'package.json'))('@napi-rs/canvas');

const [file, dpi, folder, ...pages] = process.argv.slice(2);
const doc = await pdfjs.getDocument({
  data: new Uint8Array(readFileSync(file)),
  password: process.env.PDF_PASSWORD,
  cMapUrl: `${home}/cmaps/`,
  standardFontDataUrl: `${home}/standard_fonts/`,
  wasmUrl: `${home}/wasm/`,
  iccUrl: `${home}/iccs/`,
  useSystemFonts: false,
  isEvalSupported: false,
  verbosity: 0,
}).promise;
for (const number of pages.map(Number)) {
  const page = await doc.getPage(number);
  const viewport = page.getViewport({ scale: Number(dpi) / 72 });
  const canvas = createCanvas(Math.round(viewport.width), Math.round(viewport.height));
  await page.render({
    canvas,
    viewport,
    annotationMode: pdfjs.AnnotationMode.ENABLE,
    background: '#ffffff',
  }).promise;
  writeFileSync(join(folder, `${number}.png`), canvas.toBuffer('image/png'));
}
await doc.destroy();
