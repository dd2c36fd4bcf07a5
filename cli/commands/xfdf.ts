import { fromAnnotations } from '@marginalis/core/annotations';
import { toPartRecord } from '@marginalis/core/document';
import { readXfdf, writeXfdf, XfdfError } from '@marginalis/core/formats';
import { toMarkRecord } from '@marginalis/core/kinds';
import { CommandError, EXIT, type Io } from '../io.ts';
import { readMarked } from '../marked.ts';
import type { FixedArguments } from './fixed.ts';

/** Writes the marks of a file as XFDF, for a PDF. */
export async function writeMarks(io: Io, args: FixedArguments): Promise<void> {
  const { file, out, marks, password } = args;
  const { document } = await readMarked(io, file, marks, password);
  const name = file.split(/[\\/]/).at(-1) ?? file;
  await io.write(out, new TextEncoder().encode(writeXfdf(document, name)));
  io.result({ ok: true, out });
  io.say(`${out}: written.`);
}

/** Prints what an XFDF file says as marks and threads; pages by their numbers from 1. */
export async function readMarks(io: Io, file: string): Promise<void> {
  const text = new TextDecoder().decode(await io.read(file));
  let annotations;
  try {
    annotations = readXfdf(text);
  } catch (e) {
    if (e instanceof XfdfError) throw new CommandError(EXIT.badMarks, e.message);
    throw e;
  }
  const pageId = (page: number): string => String(page + 1);
  const { marks, threads, taken } = fromAnnotations(annotations, { pageId, now: 0 });
  io.result({
    ok: true,
    marks: marks.map(toMarkRecord),
    threads: threads.map((thread) => toPartRecord('thread', thread)),
  });
  io.say(
    `${file}: ${marks.length} marks, ${threads.length} threads, ${annotations.length - taken.size} left out.`,
  );
}
