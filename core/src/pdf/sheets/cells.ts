/** A rectangle on a sheet, points from its bottom left corner. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** How pages are put onto sheets of paper. */
export interface SheetPlan {
  /** Pages on one side of a sheet. */
  readonly perSheet: 1 | 2 | 4;
  /** Beside each page stays room to write by hand. */
  readonly room: boolean;
}

/** Where on a sheet a page goes, and the room beside it; null where there is none. */
export interface Cell {
  readonly page: Box;
  readonly room: Box | null;
}

/** Sizes of paper, points: ISO 216, and ANSI/ASME Y14.1. */
const A4 = { width: 595.28, height: 841.89 };
const LETTER = { width: 612, height: 792 };

/** What a printer cannot reach at the edges of a sheet, and what stays white between pages, points. */
const EDGE = 24;
const GAP = 14;
/** Of a cell, what is left to write in. */
const ROOM = 0.32;

/** How near to Letter a page has to be to be printed on it, points. */
const NEAR = 3;

/** The paper that a page asks for: Letter where it is that, A4 otherwise. Width and height are in either order. */
export const paperFor = (width: number, height: number): typeof A4 =>
  Math.abs(Math.min(width, height) - LETTER.width) < NEAR &&
  Math.abs(Math.max(width, height) - LETTER.height) < NEAR
    ? LETTER
    : A4;

/** A sheet of such paper, as it lies, and its cells in reading order. */
export function cellsOf(
  { perSheet, room }: SheetPlan,
  paper: { readonly width: number; readonly height: number },
): { readonly width: number; readonly height: number; readonly cells: readonly Cell[] } {
  // Two upright pages lie beside each other on a sheet that lies across.
  const across = perSheet === 2 ? !room : false;
  const [width, height] = across ? [paper.height, paper.width] : [paper.width, paper.height];
  const columns = perSheet === 4 || across ? 2 : 1;
  const rows = perSheet / columns;
  const cellWidth = (width - 2 * EDGE - (columns - 1) * GAP) / columns;
  const cellHeight = (height - 2 * EDGE - (rows - 1) * GAP) / rows;
  const cells: Cell[] = [];
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const x = EDGE + column * (cellWidth + GAP);
      const y = height - EDGE - (row + 1) * cellHeight - row * GAP;
      const roomWidth = room ? cellWidth * ROOM : 0;
      const gap = room ? GAP : 0;
      cells.push({
        page: { x, y, width: cellWidth - roomWidth - gap, height: cellHeight },
        room: room
          ? { x: x + cellWidth - roomWidth, y, width: roomWidth, height: cellHeight }
          : null,
      });
    }
  return { width, height, cells };
}

/** The largest place in a box for something of such proportions: in its middle, or at its top where room lies beside it. */
export function fitted(box: Box, width: number, height: number, atTop: boolean): Box {
  const scale = Math.min(box.width / width, box.height / height);
  const [w, h] = [width * scale, height * scale];
  return {
    x: box.x + (box.width - w) / 2,
    y: box.y + (box.height - h) * (atTop ? 1 : 0.5),
    width: w,
    height: h,
  };
}
