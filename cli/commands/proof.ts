import { createHash } from 'node:crypto';
import { emptyDocument, pagesOfSource } from '@marginalis/core/document';
import { inspectPdf } from '@marginalis/core/pdf';
import type { Io } from '../io.ts';
import { documentWith } from '../marksFile.ts';
import { prove } from '../proving.ts';

export interface ProofArguments {
  readonly file: string;
  readonly marks: string;
  readonly copy: string;
  readonly password?: string;
}

const rounded = (n: number): number => Math.round(n * 1e6) / 1e6;

/** Compares a copy with what its source and the marks of a file ought to show; one JSON object for each page that was changed. Whether it is alike. */
export async function proof(io: Io, args: ProofArguments): Promise<boolean> {
  const { file, marks, copy, password } = args;
  const source = await io.read(file);
  const { pages } = await inspectPdf(source, password);
  const sha = createHash('sha256').update(source).digest('hex');
  const refs = pagesOfSource(sha, pages, (index) => `${sha.slice(0, 12)}-${index}`);
  const text = new TextDecoder().decode(await io.read(marks));
  const document = text.trim() === '' ? emptyDocument(refs) : documentWith(refs, marks, text);
  const asked = { source, document, ...(password === undefined ? {} : { password }) };
  const { proof: found } = await prove(asked, await io.read(copy));
  for (const { index, differs, places, ...told } of found.pages)
    io.row({
      page: index + 1,
      differs: rounded(differs),
      places: places.map(({ minX, minY, maxX, maxY }) => [minX, minY, maxX, maxY].map(rounded)),
      ...told,
    });
  const { alike, pageCount } = found;
  const count = found.pages.length;
  io.say(
    alike
      ? `${copy}: as it ought to be; ${count} changed ${count === 1 ? 'page' : 'pages'} of ${pageCount.found} compared.`
      : `${copy}: not as it ought to be.`,
  );
  return alike;
}
