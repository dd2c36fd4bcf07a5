import { PDFDocument, type PDFPage, rgb, type TransformationMatrix } from '@cantoo/pdf-lib';
import { displayMatrix, displaySize, thenMatrix } from '../../geometry/index.ts';
import { openPdf } from '../openPdf.ts';
import { pageGeometry } from '../pages/geometry.ts';
import { type Box, cellsOf, fitted, paperFor, type SheetPlan } from './cells.ts';

/** How a page is seen (ISO 32000-1, 7.7.3.3): what maps its user space onto it, its lower left corner at the origin, y up. */
function seen(page: PDFPage) {
  const geometry = pageGeometry(page);
  const { width, height } = displaySize(geometry);
  const { minX, minY, maxX, maxY } = geometry.box;
  return {
    matrix: [
      ...thenMatrix(displayMatrix(geometry), [1, 0, 0, -1, 0, height]),
    ] as TransformationMatrix,
    width,
    height,
    crop: { left: minX, bottom: minY, right: maxX, top: maxY },
  };
}

/** Of the lines that are written on in the room beside a page, points apart. */
const LEADING = 22;
const HAIRLINE = 0.4;
const GREY = rgb(0.6, 0.64, 0.7);

function ruled(sheet: PDFPage, { x, y, width, height }: Box): void {
  for (let at = y + height - LEADING; at >= y; at -= LEADING)
    sheet.drawLine({
      start: { x, y: at },
      end: { x: x + width, y: at },
      thickness: HAIRLINE,
      color: GREY,
    });
}

const framed = (sheet: PDFPage, { x, y, width, height }: Box): void =>
  sheet.drawRectangle({ x, y, width, height, borderWidth: HAIRLINE, borderColor: GREY });

/**
 * The pages of a finished copy on sheets of paper, several on one, or with room to write beside each: for a printer. What
 * is not printed (links, bookmarks, attachments) is not on them. The paper is that of the first page.
 * @throws PdfRefusal
 */
export async function onSheets(bytes: Uint8Array, plan: SheetPlan): Promise<Uint8Array> {
  const source = await openPdf(bytes);
  const pages = source.getPages();
  const out = await PDFDocument.create({ updateMetadata: false });
  const first = seen(pages[0]);
  const paper = paperFor(first.width, first.height);
  const { width, height, cells } = cellsOf(plan, paper);
  const looks = pages.map(seen);
  // A page nothing stands on has no content that could be put anywhere.
  const filled = pages.flatMap((page, index) => (page.node.Contents() ? [index] : []));
  // All at once: what pages share is in the file once.
  const embedded = await out.embedPages(
    filled.map((index) => pages[index]),
    filled.map((index) => looks[index].crop),
    filled.map((index) => looks[index].matrix),
  );
  const drawn = new Map(filled.map((index, k) => [index, embedded[k]]));
  for (let from = 0; from < pages.length; from += cells.length) {
    const sheet = out.addPage([width, height]);
    for (const [k, cell] of cells.entries()) {
      const look = looks.at(from + k);
      if (!look) break;
      const place = fitted(cell.page, look.width, look.height, plan.room);
      const page = drawn.get(from + k);
      if (page)
        sheet.drawPage(page, {
          x: place.x,
          y: place.y,
          xScale: place.width / look.width,
          yScale: place.height / look.height,
        });
      if (plan.perSheet > 1 || plan.room) framed(sheet, place);
      if (cell.room) ruled(sheet, { ...cell.room, y: place.y, height: place.height });
    }
  }
  return out.save({ addDefaultPage: false, objectsPerTick: Infinity });
}
