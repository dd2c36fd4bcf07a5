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

/** Files that are kept open: guests turn pages, and several read at once. */
const MOST_OPEN = 3;

/** Opens files, and keeps those used last open. */
function keeper<T extends { close(): void }>(open: (bytes: Uint8Array) => T) {
  const held = new Map<string, T>();
  return async (file: string): Promise<T> => {
    const { mtimeMs, size, ino } = await stat(file);
    // How it was when it was opened: another copy may have taken its place.
    const key = `${file} ${mtimeMs} ${size} ${ino}`;
    const opened = held.get(key) ?? open(new Uint8Array(await readFile(file)));
    held.delete(key);
    held.set(key, opened);
    for (const [oldest, one] of held) {
      if (held.size <= MOST_OPEN) break;
      held.delete(oldest);
      one.close();
    }
    return opened;
  };
}

const module = await start();
const pagesOf = keeper((bytes) => openPages(module, bytes));
const printOf = keeper((bytes) => openPrint(module, bytes));

async function answerTo(job: Job): Promise<Work[keyof Work]['answer']> {
  switch (job.what) {
    case 'sizes': {
      const open = await pagesOf(job.ask.file);
      return Array.from({ length: open.pageCount }, (_, k) => {
        const size = open.size(k);
        return size && size.width > 0 && size.height > 0 ? size : UNREAD;
      });
    }
    case 'picture': {
      const { file, index, width, written } = job.ask;
      const open = await pagesOf(file);
      return index < open.pageCount ? drawnPage(open, index, width, written) : null;
    }
    case 'words': {
      const { file, index } = job.ask;
      const open = await printOf(file);
      if (index >= open.pageCount) return null;
      const told = paragraphsOf(readPrint(open.raw(index)));
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
