import { deflate } from 'node:zlib';
import { promisify } from 'node:util';
import { CopyFonts } from '@marginalis/core/copy';
import { layersOf } from '@marginalis/core/derived';
import { marksOn } from '@marginalis/core/document';
import { displayMatrix, displaySize } from '@marginalis/core/geometry';
import { openPages, wholePage } from '@marginalis/core/pdfium';
import { inspectPdf, makeFixedCopy } from '@marginalis/core/pdf';
import { painterFor } from '../cli/canvas';
import { startPdfium } from '../cli/pdfium';
import { prove } from '../cli/proving';
import { pageRefsFor } from '../core/testing/marks';
import { covered, twentyPages } from './flatten';
import { inTurn, type Row, timed } from './report';

const deflated = promisify(deflate);
const STROKES = 40;
/** As the proof draws them, pixels a point. */
const DENSITY = 2;

/** A copy of twenty pages with 800 strokes proved, against drawing them. */
export async function benchProof(): Promise<Row[]> {
  const source = await twentyPages();
  const document = covered(pageRefsFor((await inspectPdf(source)).pages), STROKES);
  const { bytes } = await makeFixedCopy(source, document, {
    deflate: async (b: Uint8Array) => new Uint8Array(await deflated(b)),
  });
  const pdfium = await startPdfium();
  const draw = (file: Uint8Array): void => {
    const open = openPages(pdfium, file);
    for (let page = 0; page < open.pageCount; page++)
      open.page(page, (one) => {
        const width = Math.round(DENSITY * one.size.width);
        const height = Math.round(DENSITY * one.size.height);
        return one.draw(wholePage(width, height));
      });
    open.close();
  };
  const fonts = new CopyFonts({});
  const painter = painterFor(fonts, document.attachments);
  /** As the screen has them: marks painted over the source. */
  const paint = async (file: Uint8Array): Promise<void> => {
    const open = openPages(pdfium, file);
    for (const [index, page] of document.pages.entries()) {
      const { width, height } = displaySize(page);
      const whole = wholePage(Math.round(DENSITY * width), Math.round(DENSITY * height));
      const ground = open.page(index, (one) => one.draw(whole));
      if (!ground) throw new Error('A page cannot be drawn.');
      const { beneath, over } = layersOf(marksOn(document, page.id));
      await painter.paint(ground, [...beneath, ...over], displayMatrix(page, DENSITY));
    }
    open.close();
  };
  const proving = (): Promise<number> =>
    timed(async () => {
      const { proof } = await prove({ source, document, annotated: [] }, bytes);
      if (!proof.alike) throw new Error('The copy is not as it ought to be.');
    });
  const what = 'proof of 20 changed pages, 800 strokes';
  const both = await inTurn(7, proving, () =>
    timed(() => {
      draw(source);
      draw(bytes);
    }),
  );
  const painted = await inTurn(7, proving, () =>
    timed(async () => {
      draw(bytes);
      await paint(source);
    }),
  );
  const once = await inTurn(7, proving, () => timed(() => draw(bytes)));
  return [
    {
      what,
      reference:
        'drawing them both ways: as the screen does, marks over the source, and as in the copy',
      ...painted,
    },
    { what, reference: 'PDFium alone, drawing them as in the source and as in the copy', ...both },
    { what, reference: 'PDFium alone, drawing them as in the copy', ...once },
  ];
}
