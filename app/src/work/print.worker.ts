import { countPage, NO_PAGES } from '@marginalis/core/about';
import { PdfRefusal } from '@marginalis/core/document';
import { type OpenPrint, openPrint } from '@marginalis/core/pdfium';
import { DocumentText, type FoundOn, readPrint, toldOf } from '@marginalis/core/print';
import type { PrintReply, PrintRequest, SearchAsk } from './printReader';
import { startPdfium } from './startPdfium';

const UNREADABLE = 'The words of this document cannot be read.';

interface Opened {
  readonly pdf: OpenPrint;
  readonly text: DocumentText;
}

let opening: Promise<Opened> | null = null;

async function open(bytes: Uint8Array, password?: string): Promise<Opened> {
  const pdf = openPrint(await startPdfium(), bytes, password);
  return { pdf, text: new DocumentText(pdf.pageCount, (page) => readPrint(pdf.raw(page))) };
}

type Answer = PrintReply['answer'];

async function answerTo({ ask }: PrintRequest, tell: (answer: Answer) => void): Promise<Answer> {
  if (ask.is === 'open') {
    opening = open(ask.bytes, ask.password);
    const { pageCount, isTagged } = (await opening).pdf;
    return { ok: true, pageCount, isTagged };
  }
  if (!opening) throw new Error('No document is open.');
  const { pdf, text } = await opening;
  if (ask.is === 'search') return search(text, ask, tell);
  if (ask.is === 'headings') {
    await everyPage(text, tell, (page) => text.page(page));
    return { ok: true, headings: text.headings() };
  }
  if (ask.is === 'counts') {
    let counts = NO_PAGES;
    await everyPage(text, tell, (page) => {
      const words = text.page(page).text;
      counts = countPage(counts, words, words === '' ? pdf.pictureShare(page) : 0);
    });
    return { ok: true, counts };
  }
  if (ask.is === 'shapes') return { ok: true, shapes: pdf.shapes(ask.page) };
  if (ask.is === 'told') return { ok: true, told: toldOf(pdf.tagged(ask.page)) };
  const print = readPrint(pdf.raw(ask.page));
  text.keep(ask.page, print);
  return { ok: true, print };
}

/** A search reads on for so long before it tells what it found and lets others have their turn, ms. */
const TURN = 60;
/** Counts searches: a later one ends those before. */
let searches = 0;

async function search(
  text: DocumentText,
  { term, how, first }: SearchAsk,
  tell: (answer: Answer) => void,
): Promise<Answer> {
  const own = ++searches;
  let found: FoundOn[] = [];
  let read = 0;
  let since = performance.now();
  for (const page of text.search(term, how, first)) {
    read++;
    if (page.hits.length > 0 || page.more > 0 || page.wordless) found.push(page);
    if (performance.now() - since < TURN) continue;
    tell({ ok: true, found, read, of: text.pageCount });
    found = [];
    await new Promise((resolve) => setTimeout(resolve));
    if (own !== searches) break;
    since = performance.now();
  }
  return { ok: true, found, read, of: text.pageCount, done: true };
}

/** Goes through all pages, telling how far it has come, and lets others have their turn. */
async function everyPage(
  text: DocumentText,
  tell: (answer: Answer) => void,
  visit: (page: number) => void,
): Promise<void> {
  let since = performance.now();
  for (let page = 0; page < text.pageCount; page++) {
    visit(page);
    if (performance.now() - since < TURN) continue;
    tell({ ok: true, found: [], read: page + 1, of: text.pageCount });
    await new Promise((resolve) => setTimeout(resolve));
    since = performance.now();
  }
}

self.onmessage = ({ data }: MessageEvent<PrintRequest>) => {
  const reply = (answer: Answer): void => {
    const print = 'print' in answer ? [answer.print.boxes.buffer as ArrayBuffer] : [];
    self.postMessage({ id: data.id, answer } satisfies PrintReply, { transfer: print });
  };
  answerTo(data, reply).then(reply, (e: unknown) => {
    console.warn('Print was not read.', e);
    reply({ ok: false, message: e instanceof PdfRefusal ? e.message : UNREADABLE });
  });
};
