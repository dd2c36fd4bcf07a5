import { readFile, stat } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { init } from '@embedpdf/pdfium';
import { openPages, openPrint, type PdfiumModule } from '@marginalis/core/pdfium';
import { paragraphsOf, readPrint } from '@marginalis/core/print';
import { drawnPage, takeFonts } from './drawn.ts';
import type { Done, Job, Work } from './work.ts';

const require = createRequire(import.meta.url);
const FONTS = [
  'noto-sans/400Regular/NotoSans_400Regular.ttf',
  'noto-naskh-arabic/400Regular/NotoNaskhArabic_400Regular.ttf',
  'noto-sans-hebrew/400Regular/NotoSansHebrew_400Regular.ttf',
  'noto-sans-devanagari/400Regular/NotoSansDevanagari_400Regular.ttf',
];

async function start(): Promise<PdfiumModule> {
  takeFonts(FONTS.map((file) => require.resolve(`@expo-google-fonts/${file}`)));
  const program = await readFile(require.resolve('@embedpdf/pdfium/pdfium.wasm'));
  const wrapped = await init({ wasmBinary: new Uint8Array(program).buffer });
  wrapped.PDFiumExt_Init();
  return wrapped.pdfium as unknown as PdfiumModule;
}

/** Memory of WebAssembly only grows; more than this is not kept from one guest to the next, bytes. */
const WORN = 512 * 1024 * 1024;

/** A page that cannot be read is as large as a sheet of paper, points. */
const UNREAD = { width: 595, height: 842 };

interface Held<T> {
  /** The file, and how it was when it was opened: another copy may have taken its place. */
  readonly key: string;
  readonly open: T;
}

/** Opens a file, and keeps the last one open: guests turn pages. */
function keeper<T extends { close(): void }>(open: (bytes: Uint8Array) => T) {
  let held: Held<T> | null = null;
  return async (file: string): Promise<T> => {
    const { mtimeMs, size, ino } = await stat(file);
    const key = `${file} ${mtimeMs} ${size} ${ino}`;
    if (held?.key === key) return held.open;
    held?.open.close();
    held = null;
    held = { key, open: open(new Uint8Array(await readFile(file))) };
    return held.open;
  };
}

const module = await start();
const pagesOf = keeper((bytes) => openPages(module, bytes));
const printOf = keeper((bytes) => openPrint(module, bytes));

async function answerTo(job: Job): Promise<Work[keyof Work]['answer']> {
  switch (job.what) {
    case 'sizes': {
      const open = await pagesOf(job.ask.file);
      const sizes = Array.from({ length: open.pageCount }, (_, k) =>
        open.page(k, ({ size }) => size),
      );
      return sizes.map((size) => size ?? UNREAD);
    }
    case 'picture': {
      const { file, index, width, written } = job.ask;
      return drawnPage(await pagesOf(file), index, width, written);
    }
    case 'words': {
      const open = await printOf(job.ask.file);
      const told = paragraphsOf(readPrint(open.raw(job.ask.index)));
      return told.map((part) => ('text' in part ? part.text : '')).join('\n\n');
    }
  }
}

process.on('message', (job: Job) => {
  answerTo(job)
    .then(
      (answer) => ({ answer }),
      (e: unknown) => ({ trouble: String(e) }),
    )
    .then((said) => {
      const isWorn = module.HEAPU8.length > WORN;
      process.send?.({ id: job.id, ...said, isWorn } satisfies Done);
    });
});
// The server has ended, in whatever way.
process.on('disconnect', () => process.exit());
