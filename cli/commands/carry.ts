import { compareEditions, type EditionFile, PICTURE_WIDTH } from '@marginalis/core/edition';
import { boundsOf } from '@marginalis/core/derived';
import type { Page } from '@marginalis/core/document';
import { openPages, openPrint, wholePage } from '@marginalis/core/pdfium';
import { readPrint } from '@marginalis/core/print';
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
  const opened = [
    await openEdition(before.source, before.document.pages, password),
    await openEdition(after.source, after.document.pages, password),
  ];
  try {
    const { placed } = compareEditions(before.document, before.sha, opened[0].file, opened[1].file);
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
    for (const { close } of opened) close();
  }
}

const NOWHERE = { minX: 0, minY: 0, maxX: 0, maxY: 0 };

async function openEdition(
  bytes: Uint8Array,
  pages: readonly Page[],
  password: string | undefined,
): Promise<{ readonly file: EditionFile; close(): void }> {
  const module = await startPdfium();
  const [print, drawn] = [openPrint(module, bytes, password), openPages(module, bytes, password)];
  return {
    file: {
      pages,
      print: (page) => readPrint(print.raw(page)),
      picture: (page) =>
        drawn.page(page, ({ size, draw }) =>
          draw(wholePage(PICTURE_WIDTH, Math.round((PICTURE_WIDTH * size.height) / size.width))),
        ),
    },
    close() {
      print.close();
      drawn.close();
    },
  };
}
