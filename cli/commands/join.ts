import { emptyDocument, type Page } from '@marginalis/core/document';
import { makeFixedCopy, type Source } from '@marginalis/core/pdf';
import { deflate } from '../deflate.ts';
import { textFiles } from '../faces.ts';
import type { Io } from '../io.ts';
import { readMarked } from '../marked.ts';
import { draw } from '../smaller.ts';

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
    const { source, sha, document } = await readMarked(io, file, undefined, password);
    sources.set(sha, { sha, bytes: source, ...(password === undefined ? {} : { password }) });
    for (const page of document.pages)
      pages.push({ ...page, id: `${k}-${page.id}`, order: pages.length });
  }
  const document = emptyDocument(pages);
  const { bytes, ...told } = await makeFixedCopy([...sources.values()], document, {
    deflate,
    draw,
    ...textFiles,
  });
  await io.write(out, bytes);
  io.result({ ok: true, out, size: bytes.length, ...told });
  io.say(`${out}: ${told.pages} pages of ${files.length} files.`);
}
