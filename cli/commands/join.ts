import { createHash } from 'node:crypto';
import { emptyDocument, type Page, pagesOfSource } from '@marginalis/core/document';
import { inspectPdf, makeFixedCopy, type Source } from '@marginalis/core/pdf';
import { deflate } from '../deflate.ts';
import { textFiles } from '../faces.ts';
import type { Io } from '../io.ts';

export interface JoinArguments {
  /** In their order. */
  readonly files: readonly string[];
  readonly out: string;
  /** Of those that are locked. */
  readonly password?: string;
}

/** Puts the pages of several PDFs one after the other into one; a file that is given twice comes twice. */
export async function join(io: Io, { files, out, password }: JoinArguments): Promise<void> {
  const sources = new Map<string, Source>();
  const pages: Page[] = [];
  for (const [k, file] of files.entries()) {
    const bytes = await io.read(file);
    const sha = createHash('sha256').update(bytes).digest('hex');
    const { pages: boxes } = await inspectPdf(bytes, password);
    sources.set(sha, { sha, bytes, ...(password === undefined ? {} : { password }) });
    const first = pages.length;
    const coming = pagesOfSource(sha, boxes, (index) => `${k}-${index}`);
    pages.push(...coming.map((page, index) => ({ ...page, order: first + index })));
  }
  const document = emptyDocument(pages);
  const { bytes, ...told } = await makeFixedCopy([...sources.values()], document, {
    deflate,
    ...textFiles,
  });
  await io.write(out, bytes);
  io.result({ ok: true, out, size: bytes.length, ...told });
  io.say(`${out}: ${told.pages} pages of ${files.length} files.`);
}
