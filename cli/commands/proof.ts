import type { Io } from '../io.ts';
import { readMarked } from '../marked.ts';
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
  const { source, document } = await readMarked(io, file, marks, password);
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
