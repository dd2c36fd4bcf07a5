import { makeFixedCopy } from '@marginalis/core/pdf';
import { deflate } from '../deflate.ts';
import { textFiles } from '../faces.ts';
import type { Io } from '../io.ts';
import { readMarked } from '../marked.ts';
import { prove } from '../proving.ts';
import { draw, smallerOf } from '../smaller.ts';

export interface ProofArguments {
  readonly file: string;
  readonly marks: string;
  readonly copy: string;
  readonly password?: string;
  /** What opens the copy. */
  readonly lock?: string;
  /** Dots an inch its pictures were to keep at most. */
  readonly smaller?: string;
}

const rounded = (n: number): number => Math.round(n * 1e6) / 1e6;

/** Compares a copy with what its source and the marks of a file ought to show; one JSON object for each page that was changed. Whether it is alike. */
export async function proof(io: Io, args: ProofArguments): Promise<boolean> {
  const { file, marks, copy, password, lock } = args;
  const smaller = await smallerOf(args.smaller);
  const { source, document } = await readMarked(io, file, marks, password);
  // Which pictures are made smaller says only who makes them so.
  const again =
    smaller &&
    (await makeFixedCopy(source, document, { password, smaller, deflate, draw, ...textFiles }));
  const asked = { source, document, password, lock, smaller: again?.smaller?.places };
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
