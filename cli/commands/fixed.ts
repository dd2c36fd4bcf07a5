import { makeFixedCopy } from '@marginalis/core/pdf';
import { deflate } from '../deflate.ts';
import { textFiles } from '../faces.ts';
import type { Io } from '../io.ts';
import { readMarked } from '../marked.ts';
import { protectionOf } from '../protection.ts';
import { draw, smallerOf, toldOfSmaller } from '../smaller.ts';

export interface FixedArguments {
  readonly file: string;
  readonly out: string;
  readonly marks?: string;
  readonly password?: string;
  /** What opens the copy. */
  readonly lock?: string;
  /** What is not to be done with it: `print`, `copy`, `change`, with commas. */
  readonly forbid?: string;
  /** Dots an inch its pictures keep at most. */
  readonly smaller?: string;
}

/** Makes the fixed copy of a PDF with marks from a file, and tells what was done. */
export async function fixed(io: Io, args: FixedArguments): Promise<void> {
  const { file, out, marks, password } = args;
  const protection = protectionOf(args.lock, args.forbid);
  const smaller = await smallerOf(args.smaller);
  const { source, document } = await readMarked(io, file, marks, password);
  const { bytes, ...told } = await makeFixedCopy(source, document, {
    password,
    protection,
    smaller,
    deflate,
    draw,
    ...textFiles,
  });
  await io.write(out, bytes);
  const became = { ...told, smaller: toldOfSmaller(told.smaller) };
  io.result({ ok: true, out, size: bytes.length, ...became });
  io.say(`${out}: ${told.pages} pages, ${told.marksDrawn} marks.`);
}
