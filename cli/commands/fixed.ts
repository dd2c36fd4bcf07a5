import { makeFixedCopy } from '@marginalis/core/pdf';
import { deflate } from '../deflate.ts';
import { textFiles } from '../faces.ts';
import type { Io } from '../io.ts';
import { readMarked } from '../marked.ts';

export interface FixedArguments {
  readonly file: string;
  readonly out: string;
  readonly marks?: string;
  readonly password?: string;
}

/** Makes the fixed copy of a PDF with marks from a file, and tells what was done. */
export async function fixed(io: Io, { file, out, marks, password }: FixedArguments): Promise<void> {
  const { source, document } = await readMarked(io, file, marks, password);
  const { bytes, ...told } = await makeFixedCopy(source, document, {
    password,
    deflate,
    ...textFiles,
  });
  await io.write(out, bytes);
  io.result({ ok: true, out, size: bytes.length, ...told });
  io.say(`${out}: ${told.pages} pages, ${told.marksDrawn} marks.`);
}
