import { type PDFPage, rgb } from '@cantoo/pdf-lib';
import { A4, type Fonts, footer, GREY, INK, LINE, newDocument } from './sheet.ts';

const TITLE = 'Equipment form';
const LEFT = 64;
const RIGHT = A4.width - LEFT;
const CELL = 17;
const HIGH = 20;
const CORD = rgb(0.42, 0.45, 0.5);

/** One page to be filled in: rules, cells for letters drawn in three ways, squares to tick, rows of dots. */
export async function makeForm(): Promise<Uint8Array> {
  const { doc, fonts } = await newDocument(TITLE);
  const page = doc.addPage([A4.width, A4.height]);
  page.drawText(TITLE, { x: LEFT, y: 760, size: 26, font: fonts.bold, color: INK });
  const label = labels(page, fonts);
  label(
    'For groups that take instruments out onto the shore. One form a group; hand it in at the store.',
    LEFT,
    738,
  );
  whoAndWhen(page, label);
  things(page, fonts, label);
  end(page, fonts, label);
  footer(page, fonts, 'Saltmarsh Field Station · form 3', '1 of 1');
  return doc.save();
}

type Label = (text: string, x: number, y: number) => void;

const labels =
  (page: PDFPage, fonts: Fonts): Label =>
  (text, x, y) =>
    page.drawText(text, { x, y, size: 10, font: fonts.sans, color: GREY });

const rule = (page: PDFPage, y: number, from: number, to: number): void =>
  page.drawLine({ start: { x: from, y }, end: { x: to, y }, thickness: 0.7, color: LINE });

const upright = (page: PDFPage, x: number, y: number, high: number): void =>
  page.drawLine({ start: { x, y }, end: { x, y: y + high }, thickness: 0.7, color: CORD });

/** Each cell a frame of its own. */
function frames(page: PDFPage, x: number, y: number, count: number): void {
  for (let k = 0; k < count; k++)
    page.drawRectangle({
      x: x + k * CELL,
      y,
      width: CELL,
      height: HIGH,
      borderWidth: 0.7,
      borderColor: CORD,
    });
}

/** One frame, parted by lines. */
function parted(page: PDFPage, x: number, y: number, count: number): void {
  page.drawRectangle({
    x,
    y,
    width: count * CELL,
    height: HIGH,
    borderWidth: 0.7,
    borderColor: CORD,
  });
  for (let k = 1; k < count; k++) upright(page, x + k * CELL, y, HIGH);
}

/** A line with short strokes on it. */
function strokes(page: PDFPage, x: number, y: number, count: number): void {
  rule(page, y, x, x + count * CELL);
  for (let k = 0; k <= count; k++) upright(page, x + k * CELL, y, 5);
}

function whoAndWhen(page: PDFPage, label: Label): void {
  label('Name', LEFT, 700);
  rule(page, 698, LEFT + 34, LEFT + 250);
  label('Group', LEFT + 270, 700);
  strokes(page, LEFT + 306, 696, 4);
  label('Family name, in capitals', LEFT, 668);
  parted(page, LEFT, 638, 20);
  label('Day', LEFT, 616);
  label('Month', LEFT + 52, 616);
  label('Year', LEFT + 104, 616);
  label('Card number', LEFT + 210, 616);
  frames(page, LEFT, 588, 2);
  frames(page, LEFT + 52, 588, 2);
  frames(page, LEFT + 104, 588, 4);
  frames(page, LEFT + 210, 588, 8);
}

const THINGS = [
  ['Tide gauge', '2'],
  ['Quadrat, half a metre', '6'],
  ['Hand lens, ten times', '12'],
  ['Thermometer on a cord', '4'],
] as const;

function things(page: PDFPage, fonts: Fonts, label: Label): void {
  page.drawText('What is taken', { x: LEFT, y: 548, size: 13, font: fonts.bold, color: INK });
  const columns = [LEFT, LEFT + 210, LEFT + 290, LEFT + 370, RIGHT];
  const rows = THINGS.length + 1;
  const [head, row] = [534, 24];
  for (let k = 0; k <= rows; k++) rule(page, head - k * row, LEFT, RIGHT);
  for (const x of columns) upright(page, x, head - rows * row, rows * row);
  ['Instrument', 'In store', 'Taken', 'Remarks'].forEach((text, k) =>
    label(text, columns[k] + 6, head - 16),
  );
  THINGS.forEach(([name, count], k) => {
    const y = head - (k + 1) * row - 16;
    page.drawText(name, { x: LEFT + 6, y, size: 11, font: fonts.text, color: INK });
    page.drawText(count, { x: columns[1] + 6, y, size: 11, font: fonts.text, color: INK });
  });
}

const PROMISES = [
  'We have been shown how each of them is used.',
  'We know the time of low water, and of the turn.',
  'We rinse everything in fresh water before it goes back.',
];

function end(page: PDFPage, fonts: Fonts, label: Label): void {
  PROMISES.forEach((text, k) => {
    const y = 372 - k * 24;
    page.drawRectangle({
      x: LEFT,
      y: y - 1.5,
      width: 10,
      height: 10,
      borderWidth: 0.8,
      borderColor: CORD,
    });
    page.drawText(text, { x: LEFT + 20, y, size: 11, font: fonts.text, color: INK });
  });
  label('Damaged before, or missing', LEFT, 288);
  rule(page, 262, LEFT, RIGHT);
  rule(page, 238, LEFT, RIGHT);
  page.drawText(`Low water at ${'.'.repeat(22)} on the shore by ${'.'.repeat(22)}`, {
    x: LEFT,
    y: 206,
    size: 11,
    font: fonts.text,
    color: INK,
  });
  label('Signed for the group', LEFT, 160);
  rule(page, 158, LEFT + 104, LEFT + 300);
}
