import type { ShippedFace } from '@marginalis/core/type';
import { CopyFonts, type TextFiles } from '@marginalis/core/copy';
import { placeTraces, readInkml, writeInkml } from '@marginalis/core/formats';
import { PdfRefusal } from '@marginalis/core/document';
import { fromMarkRecord } from '@marginalis/core/kinds';
import { encodeMarks, inspectPdf, makeFixedCopy } from '@marginalis/core/pdf';
import { openFace, placeText, setBlock, setText } from '@marginalis/core/typesetter';
import type { JobName, Jobs, WorkFailure, WorkReply, WorkRequest } from './contract';

/** RFC 1950 by the browser; many times faster than in JavaScript. */
async function deflate(bytes: Uint8Array): Promise<Uint8Array> {
  const stream = new Blob([bytes as Uint8Array<ArrayBuffer>])
    .stream()
    .pipeThrough(new CompressionStream('deflate'));
  return new Uint8Array(await new Response(stream).arrayBuffer());
}

const platformDeflate = (): typeof deflate | undefined =>
  typeof CompressionStream === 'undefined' ? undefined : deflate;

async function readFile(address: string): Promise<Uint8Array> {
  const response = await fetch(address);
  if (!response.ok)
    throw new Error(`A font of the copy could not be fetched (${response.status}).`);
  return new Uint8Array(await response.arrayBuffer());
}

const textFiles = ({ faces, own }: Pick<Jobs['fixedCopy']['ask'], 'faces' | 'own'>): TextFiles => ({
  typesetter: { setText, placeText, setBlock },
  face: async (name) => {
    const file = own.find((one) => one.name === name);
    return openFace(name, file?.bytes ?? (await readFile(faces[name as ShippedFace])));
  },
  own: own.map(({ name }) => name),
});

type Run<J extends JobName> = (
  ask: Jobs[J]['ask'],
  progress: (done: number, all: number) => void,
) => Promise<Jobs[J]['answer']>;

const runs: { [J in JobName]: Run<J> } = {
  inspect: ({ bytes, password }) => inspectPdf(bytes, password),
  fixedCopy: ({ sources, document, layers, faces, own, notes, notesAt, copyOf }, onProgress) =>
    makeFixedCopy(sources, document, {
      onProgress,
      layers,
      copyOf,
      notes,
      notesAt,
      deflate: platformDeflate(),
      ...textFiles({ faces, own }),
    }),
  encodeMarks: ({ marks, faces, own }) =>
    encodeMarks(
      new Map(marks.map(fromMarkRecord).map((mark) => [mark.id, mark])),
      new CopyFonts(textFiles({ faces, own })),
      platformDeflate(),
    ),
  readInk: async ({ text, pages, otherwise }, onProgress) =>
    placeTraces(readInkml(text), pages, otherwise, everyHundredth(onProgress)),
  writeInk: async ({ document, title }) => writeInkml(document, title),
};

/** Strokes are many and small: a message for each would take longer than the stroke. */
const everyHundredth =
  (onProgress: (done: number, all: number) => void) =>
  (done: number, all: number): void => {
    if (done % 100 === 0) onProgress(done, all);
  };

const failureOf = (e: unknown): WorkFailure =>
  e instanceof PdfRefusal
    ? { kind: 'refused', reason: e.reason, message: e.message }
    : { kind: 'failed', message: e instanceof Error ? e.message : String(e) };

/** Answers one request; everything that goes wrong is part of the answer. */
export async function serve(
  request: WorkRequest,
  reply: (message: WorkReply) => void,
): Promise<void> {
  const { id, job, ask } = request;
  try {
    const run = runs[job] as Run<JobName>;
    const answer = await run(ask as never, (done, all) =>
      reply({ id, type: 'progress', done, all }),
    );
    reply({ id, type: 'done', ok: true, answer });
  } catch (e) {
    reply({ id, type: 'done', ok: false, failure: failureOf(e) });
  }
}
