import { overPrint } from '@marginalis/core/annotations';
import { toPartRecord } from '@marginalis/core/document';
import { toMarkRecord } from '@marginalis/core/kinds';
import { readAnnotations } from '@marginalis/core/pdf';
import { openPrint } from '@marginalis/core/pdfium';
import { readPrint } from '@marginalis/core/print';
import type { Io } from '../io.ts';
import { startPdfium } from '../pdfium.ts';

/** Prints what other programs have written on a PDF as marks and threads; pages by their numbers from 1. */
export async function annotations(io: Io, file: string, password?: string): Promise<void> {
  const source = await io.read(file);
  const read = await readAnnotations(source, {
    ...(password === undefined ? {} : { password }),
    pageId: (page) => String(page + 1),
  });
  const open = openPrint(await startPdfium(), source, password);
  const prints = new Map<string, ReturnType<typeof readPrint>>();
  const { marks, threads } = overPrint(read, (page) => {
    const known = prints.get(page) ?? readPrint(open.raw(Number(page) - 1));
    prints.set(page, known);
    return known;
  });
  open.close();
  io.result({
    ok: true,
    marks: marks.map(toMarkRecord),
    threads: threads.map((thread) => toPartRecord('thread', thread)),
    left: read.left.map(({ page, subtype, author, contents }) => ({
      page: page + 1,
      subtype,
      author,
      contents,
    })),
  });
  io.say(
    `${file}: ${marks.length} marks, ${threads.length} threads, ${read.left.length} annotations left in the print.`,
  );
}
