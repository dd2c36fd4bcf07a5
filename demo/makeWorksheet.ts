import { type PDFPage, rgb } from '@cantoo/pdf-lib';
import { A4, type Fonts, footer, GREY, INK, LINE, newDocument, paragraph } from './sheet.ts';

const TITLE = 'Rock-pool zones';
const LEFT = 64;
const WIDTH = A4.width - 2 * LEFT;

/** Two pages: answer lines, a matching exercise, a diagram to label. */
export async function makeWorksheet(): Promise<Uint8Array> {
  const { doc, fonts } = await newDocument(TITLE);
  answers(doc.addPage([A4.width, A4.height]), fonts);
  diagram(doc.addPage([A4.width, A4.height]), fonts);
  doc
    .getPages()
    .forEach((p, i) => footer(p, fonts, 'Saltmarsh Field Station · worksheet 1', `${i + 1} of 2`));
  return doc.save();
}

function heading(page: PDFPage, fonts: Fonts, y: number, text: string): void {
  page.drawText(text, { x: LEFT, y, size: 13, font: fonts.bold, color: INK });
}

const rule = (page: PDFPage, y: number, from = LEFT, to = LEFT + WIDTH): void =>
  page.drawLine({ start: { x: from, y }, end: { x: to, y }, thickness: 0.7, color: LINE });

function answers(page: PDFPage, fonts: Fonts): void {
  page.drawText(TITLE, { x: LEFT, y: 760, size: 26, font: fonts.bold, color: INK });
  page.drawText('Name', { x: LEFT, y: 728, size: 10, font: fonts.sans, color: GREY });
  rule(page, 726, LEFT + 34, LEFT + 250);
  page.drawText('Group', { x: LEFT + 270, y: 728, size: 10, font: fonts.sans, color: GREY });
  rule(page, 726, LEFT + 306, LEFT + WIDTH);

  heading(page, fonts, 690, 'A  Answer in a sentence');
  const questions = [
    '1. Which zone of the shore is under water at every tide?',
    '2. Why do the animals of the upper shore close their shells at noon?',
    '3. Name one animal that eats barnacles, and say how it gets at them.',
    '4. What would you expect to find in a pool that has no shade at all?',
  ];
  let y = 678;
  for (const q of questions) {
    y = paragraph(page, q, { x: LEFT, y, width: WIDTH, font: fonts.text, size: 11.5, leading: 17 });
    rule(page, y - 26);
    rule(page, y - 50);
    y -= 60;
  }

  heading(page, fonts, 320, 'B  Match each animal with its place');
  const left = [
    'Beadlet anemone',
    'Acorn barnacle',
    'Shore crab',
    'Rough periwinkle',
    'Sea squirt',
  ];
  const right = [
    'cracks at the high-water mark',
    'under boulders, all shores',
    'shaded overhangs, low shore',
    'open rock, middle shore',
    'sides of deep pools',
  ];
  left.forEach((item, i) => {
    const row = 286 - i * 38;
    page.drawText(item, { x: LEFT, y: row, size: 11.5, font: fonts.text, color: INK });
    page.drawEllipse({ x: LEFT + 126, y: row + 4, xScale: 2.6, yScale: 2.6, color: INK });
    page.drawEllipse({ x: LEFT + 278, y: row + 4, xScale: 2.6, yScale: 2.6, color: INK });
    page.drawText(right[i], { x: LEFT + 292, y: row, size: 11.5, font: fonts.text, color: INK });
  });
}

function diagram(page: PDFPage, fonts: Fonts): void {
  heading(page, fonts, 772, 'C  Label the pool');
  paragraph(
    page,
    'Write the name of each part on its line: splash zone, weed fringe, overhang, sandy floor, crevice, water line.',
    {
      x: LEFT,
      y: 766,
      width: WIDTH,
      font: fonts.text,
      size: 11.5,
      leading: 17,
    },
  );
  const x = LEFT + 80;
  const y = 430;
  page.drawSvgPath(
    'M0 -230 C40 -240 60 -180 82 -120 C100 -60 150 -20 214 -24 C262 -26 276 -70 262 -110 C252 -140 290 -150 300 -190 L306 -236 L330 -236 L330 20 L-20 20 L-20 -230 Z',
    {
      x,
      y,
      color: rgb(0.88, 0.89, 0.9),
      borderColor: INK,
      borderWidth: 1.2,
    },
  );
  page.drawLine({
    start: { x: x + 60, y: y + 172 },
    end: { x: x + 290, y: y + 172 },
    thickness: 0.9,
    color: INK,
    dashArray: [6, 3],
  });
  for (let i = 0; i < 7; i++)
    page.drawSvgPath(`M${110 + i * 16} -34 q${i % 2 ? 8 : -8} -22 0 -44`, {
      x,
      y,
      borderColor: INK,
      borderWidth: 1,
    });
  for (let i = 0; i < 16; i++)
    page.drawEllipse({
      x: x + 128 + (i % 8) * 14,
      y: y + 27 + Math.floor(i / 8) * 5,
      xScale: 1.4,
      yScale: 1.4,
      color: GREY,
    });
  const labels = [
    [-64, 226, 14, 218],
    [-64, 120, 84, 108],
    [-64, 40, 150, 34],
    [340, 214, 296, 176],
    [340, 130, 262, 108],
    [340, 50, 226, 60],
  ];
  labels.forEach(([lx, ly, tx, ty], i) => {
    const end = lx < 0 ? lx + 74 : lx - 6;
    page.drawLine({
      start: { x: x + end, y: y + ly },
      end: { x: x + tx, y: y + ty },
      thickness: 0.6,
      color: INK,
    });
    rule(page, y + ly, x + lx, x + lx + 74);
    page.drawText(String(i + 1), {
      x: x + lx,
      y: y + ly + 4,
      size: 9,
      font: fonts.sans,
      color: GREY,
    });
  });

  heading(page, fonts, 372, 'D  Draw what you found');
  paragraph(
    page,
    'Sketch one animal from your own pool. Circle the part it holds on with, and draw an arrow to where it feeds.',
    {
      x: LEFT,
      y: 366,
      width: WIDTH,
      font: fonts.text,
      size: 11.5,
      leading: 17,
    },
  );
  page.drawRectangle({
    x: LEFT,
    y: 80,
    width: WIDTH,
    height: 232,
    borderColor: LINE,
    borderWidth: 0.8,
  });
}
