import { makeLivingCopy } from '@marginalis/core/pdf';
import { deflate } from '../deflate.ts';
import { textFiles } from '../faces.ts';
import type { Io } from '../io.ts';
import { readMarked } from '../marked.ts';
import { protectionOf } from '../protection.ts';
import { draw, smallerOf, toldOfSmaller } from '../smaller.ts';
import type { FixedArguments } from './fixed.ts';

/** Makes the living copy of a PDF with marks from a file, and tells what was done. */
export async function living(io: Io, args: FixedArguments): Promise<void> {
  const { file, out, marks, password } = args;
  const protection = protectionOf(args.lock, args.forbid);
  const smaller = await smallerOf(args.smaller);
  const { source, sha, document } = await readMarked(io, file, marks, password);
  const own = { sha, bytes: source, ...(password === undefined ? {} : { password }) };
  const options = { deflate, draw, protection, smaller, madeAt: Date.now(), ...textFiles };
  const { bytes, ...told } = await makeLivingCopy([own], document, options);
  await io.write(out, bytes);
  const became = { ...told, smaller: toldOfSmaller(told.smaller) };
  io.result({ ok: true, out, size: bytes.length, ...became });
  io.say(`${out}: ${told.pages} pages, ${told.annotations} annotations added.`);
}
