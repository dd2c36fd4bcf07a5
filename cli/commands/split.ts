import { partOf, splitByRanges, splitEvery } from '@marginalis/core/leaving';
import { makeFixedCopy } from '@marginalis/core/pdf';
import { deflate } from '../deflate.ts';
import { textFiles } from '../faces.ts';
import { CommandError, EXIT, type Io } from '../io.ts';
import { readMarked } from '../marked.ts';
import { draw } from '../smaller.ts';

export interface SplitArguments {
  readonly file: string;
  /** What the files are called, before their number. */
  readonly out: string;
  readonly every?: string;
  /** Ranges of pages, those of a file with commas, files with semicolons. */
  readonly ranges?: string;
  readonly password?: string;
}

/** Makes several PDFs of one: every so many pages, or of ranges. */
export async function split(io: Io, args: SplitArguments): Promise<void> {
  const { file, out, password } = args;
  const { source, sha, document } = await readMarked(io, file, undefined, password);
  const parts = partsOf(args, document.pages.length);
  const made: { out: string; pages: number; size: number }[] = [];
  for (const [k, pages] of parts.entries()) {
    const copy = await makeFixedCopy(
      [{ sha, bytes: source, ...(password === undefined ? {} : { password }) }],
      partOf(document, pages),
      { deflate, draw, ...textFiles },
    );
    const path = `${out.replace(/\.pdf$/i, '')}-${k + 1}.pdf`;
    await io.write(path, copy.bytes);
    made.push({ out: path, pages: copy.pages, size: copy.bytes.length });
  }
  io.result({ ok: true, files: made });
  io.say(`${file}: ${made.length} files.`);
}

function partsOf({ every, ranges }: SplitArguments, count: number): (readonly number[])[] {
  if ((every === undefined) === (ranges === undefined))
    throw new CommandError(EXIT.wrongCall, 'Say where: --every N, or --ranges "1-3; 4-6".');
  if (ranges !== undefined) {
    const names = Array.from({ length: count }, (_, k) => String(k + 1));
    const named = splitByRanges(ranges, names);
    if (!named.ok) throw new CommandError(EXIT.wrongCall, named.reason);
    return named.splits.map(({ pages }) => pages);
  }
  const pages = Number(every);
  if (!Number.isInteger(pages) || pages < 1)
    throw new CommandError(EXIT.wrongCall, '--every takes a number of pages.');
  return splitEvery(count, pages).map((one) => one.pages);
}
