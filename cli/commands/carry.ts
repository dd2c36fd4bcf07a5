import { compareEditions, PICTURE_WIDTH } from '@marginalis/core/edition';
import { boundsOf } from '@marginalis/core/derived';
import { readForm } from '@marginalis/core/pdf';
import { openToCompare } from '@marginalis/core/pdfium';
import type { Io } from '../io.ts';
import { readMarked } from '../marked.ts';
import { startPdfium } from '../pdfium.ts';

export interface CarryArguments {
  readonly was: string;
  readonly is: string;
  readonly marks: string;
  readonly password?: string;
}

const rounded = (n: number): number => Math.round(n * 100) / 100;

/** Says where each mark of a PDF belongs in another edition of it, one JSON object a line. */
export async function carry(io: Io, { was, is, marks, password }: CarryArguments): Promise<void> {
  const before = await readMarked(io, was, marks, password);
  const after = await readMarked(io, is, undefined, password);
  const module = await startPdfium();
  const files = [before, after].map(({ source, document: { pages } }) => ({
    pages,
    ...openToCompare(module, source, PICTURE_WIDTH, password),
  }));
  try {
    const form = await readForm(after.source, password);
    const { placed } = compareEditions(before.document, before.sha, files[0], {
      ...files[1],
      form,
    });
    for (const { mark, from, verdict, confidence, reason, page, after: there } of placed) {
      const { minX, minY, maxX, maxY } = there ? boundsOf(there) : NOWHERE;
      io.row({
        mark,
        from: from + 1,
        verdict,
        confidence: rounded(confidence),
        reason,
        page: page === null ? null : page + 1,
        box: there ? [minX, minY, maxX, maxY].map(rounded) : null,
      });
    }
    const count = (is: string): number => placed.filter(({ verdict }) => verdict === is).length;
    io.say(
      `${is}: ${placed.length} marks, ${count('certain')} certain, ${count('likely')} likely, ${count('lost')} lost.`,
    );
  } finally {
    for (const { close } of files) close();
  }
}

const NOWHERE = { minX: 0, minY: 0, maxX: 0, maxY: 0 };
