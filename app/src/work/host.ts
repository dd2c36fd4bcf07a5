import { elsewhereOf } from '@marginalis/core/annotations';
import { CopyFonts } from '@marginalis/core/copy';
import {
  placeTraces,
  readInkml,
  readXfdf,
  readXfdfFields,
  writeInkml,
  writeMail,
  writeXfdf,
} from '@marginalis/core/formats';
import { partsOfDocument } from '@marginalis/core/document';
import { fromMarkRecord } from '@marginalis/core/kinds';
import {
  encodeMarks,
  inspectPdf,
  makeFixedCopy,
  makeLivingCopy,
  onSheets,
  pdfOfPictures,
  openLivingCopy,
  type PictureTools,
  readForm,
  type Smaller,
  takeUpAnnotations,
  tryRedact,
  tryTakeOut,
} from '@marginalis/core/pdf';
import { answer, type Run } from './answering';
import type { PdfJob, WorkReply, WorkRequest } from './contract';
import { pictureTools } from './pictureTools';
import { textFiles } from './textFiles';

/** RFC 1950 by the browser; many times faster than in JavaScript. */
async function deflate(bytes: Uint8Array): Promise<Uint8Array> {
  const stream = new Blob([bytes as Uint8Array<ArrayBuffer>])
    .stream()
    .pipeThrough(new CompressionStream('deflate'));
  return new Uint8Array(await new Response(stream).arrayBuffer());
}

/** What draws pictures is fetched only where one is to be drawn. */
const draw: PictureTools['draw'] = async (...asked) => (await pictureTools()).draw(...asked);

const platformDeflate = (): typeof deflate | undefined =>
  typeof CompressionStream === 'undefined' ? undefined : deflate;

const smallerFor = async (dpi: number | null): Promise<Smaller | null> =>
  dpi === null ? null : { dpi, tools: await pictureTools() };

const runs: { [J in PdfJob]: Run<J> } = {
  inspect: ({ bytes, password }) => inspectPdf(bytes, password),
  form: ({ bytes, password }) => readForm(bytes, password),
  fixedCopy: async ({ sources, document, faces, own, dpi, ...options }, onProgress) =>
    makeFixedCopy(sources, document, {
      ...options,
      smaller: await smallerFor(dpi),
      ...{ onProgress, draw },
      deflate: platformDeflate(),
      ...textFiles({ faces, own }),
    }),
  livingCopy: async ({ sources, document, faces, own, dpi, ...options }, onProgress) =>
    makeLivingCopy(sources, document, {
      ...options,
      smaller: await smallerFor(dpi),
      ...{ onProgress, draw },
      deflate: platformDeflate(),
      ...textFiles({ faces, own }),
    }),
  openLiving: ({ bytes, now, password }) => openLivingCopy(bytes, now, password),
  tryRedact: ({ bytes, page, quads, password }) => tryRedact(bytes, page, quads, password),
  tryTakeOut: ({ bytes, page, taken, password }) => tryTakeOut(bytes, page, taken, password),
  pdfOfPictures: ({ pictures }) => pdfOfPictures(pictures),
  sheets: ({ bytes, plan }) => onSheets(bytes, plan),
  takeUp: ({ bytes, now }) => takeUpAnnotations(bytes, { now, tools: pictureTools }),
  encodeMarks: ({ marks, faces, own }) =>
    encodeMarks(
      new Map(marks.map(fromMarkRecord).map((mark) => [mark.id, mark])),
      new CopyFonts(textFiles({ faces, own })),
      platformDeflate(),
    ),
  readInk: async ({ text, pages, otherwise }, onProgress) =>
    placeTraces(readInkml(text), pages, otherwise, everyHundredth(onProgress)),
  readXfdf: async ({ text, document, now }) => ({
    elsewhere: elsewhereOf(partsOfDocument(document), readXfdf(text), { now, partial: true }),
    fields: readXfdfFields(text),
  }),
  writeXfdf: async ({ document, fileName }) => writeXfdf(document, fileName),
  writeMail: async ({ mail, at, unique }) => writeMail(mail, at, unique),
  writeInk: async ({ document, title }) => writeInkml(document, title),
};

/** Strokes are many and small: a message for each would take longer than the stroke. */
const everyHundredth =
  (onProgress: (done: number, all: number) => void) =>
  (done: number, all: number): void => {
    if (done % 100 === 0) onProgress(done, all);
  };

/** Answers one request of what reads and writes PDFs. */
export const serve = (request: WorkRequest, reply: (message: WorkReply) => void): Promise<void> =>
  answer(runs, request, reply);
