import { type PDFPage, rgb } from '@cantoo/pdf-lib';
import { READING, READING_BY, READING_TITLE } from './content/reading.ts';
import { A4, type Fonts, footer, GREY, INK, LINE, linesOf, newDocument } from './sheet.ts';

const SIZE = 13;
const LEADING = 22;
const MARGIN = 72;
const GUTTER = 26;
const COLUMN = (A4.width - 2 * MARGIN - GUTTER) / 2;
const BOTTOM = 72;
const FIGURE_HEIGHT = 236;

/** Six pages in two columns with two drawings. */
export async function makeReading(): Promise<Uint8Array> {
  const { doc, fonts } = await newDocument(READING_TITLE);
  let page = doc.addPage([A4.width, A4.height]);
  page.drawText(READING_TITLE, { x: MARGIN, y: 766, size: 26, font: fonts.bold, color: INK });
  page.drawText(READING_BY, { x: MARGIN, y: 744, size: 10, font: fonts.sans, color: GREY });
  page.drawLine({
    start: { x: MARGIN, y: 732 },
    end: { x: A4.width - MARGIN, y: 732 },
    thickness: 0.6,
    color: LINE,
  });
  let top = 722;
  let column = 0;
  let y = top;

  const advance = (): void => {
    if (column === 0) column = 1;
    else {
      column = 0;
      top = 786;
      page = doc.addPage([A4.width, A4.height]);
    }
    y = top;
  };
  const room = (height: number): void => {
    if (y - height < BOTTOM) advance();
  };
  const x = (): number => MARGIN + column * (COLUMN + GUTTER);

  for (const section of READING) {
    room(3 * LEADING + 20);
    if (y < top) y -= 10;
    for (const line of linesOf(section.heading, fonts.bold, 13.5, COLUMN)) {
      y -= 18;
      page.drawText(line, { x: x(), y, size: 13.5, font: fonts.bold, color: INK });
    }
    y -= 3;
    for (const text of section.paragraphs) {
      for (const line of linesOf(text, fonts.text, SIZE, COLUMN)) {
        room(LEADING);
        y -= LEADING;
        page.drawText(line, { x: x(), y, size: SIZE, font: fonts.text, color: INK });
      }
      y -= 6;
    }
    if (section.figure) {
      room(FIGURE_HEIGHT);
      y -= FIGURE_HEIGHT;
      const draw = section.figure === 'zones' ? drawZones : drawAntennules;
      draw(page, fonts, x(), y + 14);
    }
  }
  const pages = doc.getPages();
  pages.forEach((p, i) => footer(p, fonts, READING_BY, `${i + 1} of ${pages.length}`));
  return doc.save();
}

function caption(page: PDFPage, fonts: Fonts, x: number, y: number, text: string): void {
  linesOf(text, fonts.italic, 9, COLUMN).forEach((line, i) =>
    page.drawText(line, { x, y: y - 12 * i, size: 9, font: fonts.italic, color: INK }),
  );
}

/** The shore in section: a slope, two water lines, and a bar for each animal. */
function drawZones(page: PDFPage, fonts: Fonts, x: number, y: number): void {
  const base = y + 36;
  page.drawSvgPath('M0 0 L60 -18 L96 -58 L150 -92 L196 -150 L228 -164 L228 0 Z', {
    x,
    y: base,
    color: rgb(0.9, 0.91, 0.92),
    borderColor: INK,
    borderWidth: 0.9,
  });
  for (const [height, label] of [
    [30, 'low water'],
    [118, 'high water'],
  ] as const) {
    page.drawLine({
      start: { x: x - 2, y: base + height },
      end: { x: x + COLUMN, y: base + height },
      thickness: 0.5,
      color: LINE,
      dashArray: [4, 3],
    });
    page.drawText(label, { x, y: base + height + 3, size: 8, font: fonts.sans, color: GREY });
  }
  const bars = [
    ['dog whelk', 24, 78, 0.35],
    ['mussel', 14, 66, 0.5],
    ['adult barnacle', 52, 126, 0.72],
    ['young barnacle', 46, 148, 0.85],
  ] as const;
  bars.forEach(([, low, high, grey], i) => {
    const left = x + 96 + i * 32;
    page.drawRectangle({
      x: left,
      y: base + low,
      width: 12,
      height: high - low,
      color: rgb(grey, grey, grey),
      borderColor: INK,
      borderWidth: 0.7,
    });
    page.drawText(`${i + 1}`, {
      x: left + 3.5,
      y: base + high + 4,
      size: 8,
      font: fonts.sans,
      color: INK,
    });
  });
  caption(
    page,
    fonts,
    x,
    y + 18,
    'Figure 2. The shore in section. 1 dog whelk, 2 mussel, 3 adult barnacle, 4 young barnacle in June.',
  );
}

/** A cyprid from the side, with its parts numbered. */
function drawAntennules(page: PDFPage, fonts: Fonts, x: number, y: number): void {
  const cx = x + COLUMN / 2;
  const cy = y + 126;
  page.drawEllipse({
    x: cx,
    y: cy,
    xScale: 82,
    yScale: 42,
    borderColor: INK,
    borderWidth: 1.2,
    color: rgb(0.96, 0.96, 0.97),
  });
  page.drawEllipse({ x: cx - 44, y: cy + 10, xScale: 6, yScale: 6, color: INK });
  for (const [dx, dy, r] of [
    [-16, 16, 9],
    [4, 20, 7],
    [20, 13, 8],
    [-2, 2, 6],
  ] as const)
    page.drawEllipse({
      x: cx + dx,
      y: cy + dy,
      xScale: r,
      yScale: r,
      borderColor: INK,
      borderWidth: 0.7,
      color: rgb(0.87, 0.88, 0.9),
    });
  for (const lean of [0, 12])
    page.drawSvgPath(`M${-52 + lean} 34 L${-72 + lean} 56 L${-64 + lean} 74`, {
      x: cx,
      y: cy,
      borderColor: INK,
      borderWidth: 1.4,
    });
  page.drawEllipse({ x: cx - 62, y: cy - 76, xScale: 6, yScale: 2.4, color: INK });
  page.drawEllipse({ x: cx - 50, y: cy - 76, xScale: 6, yScale: 2.4, color: INK });
  for (let i = 0; i < 6; i++)
    page.drawSvgPath(`M${10 + i * 9} 38 Q${18 + i * 10} 52 ${30 + i * 9} 60`, {
      x: cx,
      y: cy,
      borderColor: INK,
      borderWidth: 0.9,
    });
  const labels = [
    ['1', -44, 28],
    ['2', 6, 34],
    ['3', -84, -58],
    ['4', 66, -64],
  ] as const;
  for (const [text, dx, dy] of labels)
    page.drawText(text, { x: cx + dx, y: cy + dy, size: 9, font: fonts.sans, color: INK });
  caption(
    page,
    fonts,
    x,
    y + 18,
    'Figure 1. A cyprid from the side. 1 eye, 2 oil droplets, 3 antennule with its disc, 4 swimming legs.',
  );
}
