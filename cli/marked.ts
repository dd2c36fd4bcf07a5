import { createHash } from 'node:crypto';
import { type DocState, emptyDocument, pagesOfSource } from '@marginalis/core/document';
import { inspectPdf } from '@marginalis/core/pdf';
import type { Io } from './io.ts';
import { documentWith } from './marksFile.ts';

/** A PDF, the marks of a file on its pages, and the name of its bytes. */
export interface Marked {
  readonly source: Uint8Array;
  /** SHA-256, lower-case hex. */
  readonly sha: string;
  readonly document: DocState;
}

/** Reads a PDF and the marks that a file has for it. @throws CommandError, PdfRefusal */
export async function readMarked(
  io: Io,
  file: string,
  marks: string | undefined,
  password: string | undefined,
): Promise<Marked> {
  const source = await io.read(file);
  const { pages } = await inspectPdf(source, password);
  const sha = createHash('sha256').update(source).digest('hex');
  const refs = pagesOfSource(sha, pages, (index) => `${sha.slice(0, 12)}-${index}`);
  const document =
    marks === undefined
      ? emptyDocument(refs)
      : documentWith(refs, marks, new TextDecoder().decode(await io.read(marks)));
  return { source, sha, document };
}
