import { createHash } from 'node:crypto';
import { promisify } from 'node:util';
import { deflate as zlibDeflate } from 'node:zlib';
import { emptyDocument, pagesOfSource } from '@marginalis/core/document';
import { inspectPdf, makeFixedCopy } from '@marginalis/core/pdf';
import { textFiles } from '../faces.ts';
import type { Io } from '../io.ts';
import { documentWith } from '../marksFile.ts';

const zlib = promisify(zlibDeflate);
const deflate = async (bytes: Uint8Array): Promise<Uint8Array> => new Uint8Array(await zlib(bytes));

export interface FixedArguments {
  readonly file: string;
  readonly out: string;
  readonly marks?: string;
  readonly password?: string;
}

/** Makes the fixed copy of a PDF with marks from a file, and tells what was done. */
export async function fixed(io: Io, { file, out, marks, password }: FixedArguments): Promise<void> {
  const source = await io.read(file);
  const { pages } = await inspectPdf(source, password);
  const sha = createHash('sha256').update(source).digest('hex');
  const refs = pagesOfSource(sha, pages, (index) => `${sha.slice(0, 12)}-${index}`);
  const document = marks
    ? documentWith(refs, marks, new TextDecoder().decode(await io.read(marks)))
    : emptyDocument(refs);
  const { bytes, ...told } = await makeFixedCopy(source, document, {
    password,
    deflate,
    ...textFiles,
  });
  await io.write(out, bytes);
  io.result({ ok: true, out, size: bytes.length, ...told });
  io.say(`${out}: ${told.pages} pages, ${told.marksDrawn} marks.`);
}
