import { type PDFPage, rgb } from '@cantoo/pdf-lib';
import { A4, type Fonts, footer, GREY, INK, LINE, newDocument, paragraph } from './sheet.ts';

const TITLE = 'Rock-pool zones';
const LEFT = 64;
const WIDTH = A4.width - 2 * LEFT;

/** Two pages: answer lines, a matching exercise, a diagram to label. */
export async function makeWorksheet(): Promise<Uint8Array> {
  const { doc, fonts } = await newDocument(TITLE);
  answers(doc.addPage([A4.width, A4.height]), fonts, FIRST);
  diagram(doc.addPage([A4.width, A4.height]), fonts);
  const pages = doc.getPages();
  pages.forEach((p, i) => footer(p, fonts, FOOT, `${i + 1} of ${pages.length}`));
  return doc.save();
}

/** The same a year later: a page about the shore has come in, the first question has moved down, and the matching exercise is in another order. */
export async function makeSecondWorksheet(): Promise<Uint8Array> {
  const { doc, fonts } = await newDocument(`${TITLE}, second edition`);
  answers(doc.addPage([A4.width, A4.height]), fonts, SECOND);
  shore(doc.addPage([A4.width, A4.height]), fonts);
  diagram(doc.addPage([A4.width, A4.height]), fonts);
  const pages = doc.getPages();
  pages.forEach((p, i) => footer(p, fonts, FOOT, `${i + 1} of ${pages.length}`));
  return doc.save();
}

const FOOT = 'Saltmarsh Field Station · worksheet 1';

interface Exercises {
  /** Where the first question is asked, points from the foot. */
  readonly from: number;
  readonly questions: readonly string[];
  /** Where the matching exercise begins. */
  readonly matching: number;
  readonly animals: readonly string[];
  readonly places: readonly string[];
}

const QUESTIONS = [
  'Which zone of the shore is under water at every tide?',
  'Why do the animals of the upper shore close their shells at noon?',
  'Name one animal that eats barnacles, and say how it gets at them.',
  'What would you expect to find in a pool that has no shade at all?',
];
const ANIMALS = [
  'Beadlet anemone',
  'Acorn barnacle',
  'Shore crab',
  'Rough periwinkle',
  'Sea squirt',
];
const PLACES = [
  'cracks at the high-water mark',
  'under boulders, all shores',
  'shaded overhangs, low shore',
  'open rock, middle shore',
  'sides of deep pools',
];
const FIRST: Exercises = {
  ...{ from: 678, questions: QUESTIONS, matching: 320, animals: ANIMALS, places: PLACES },
};
const SECOND: Exercises = {
  from: 664,
  questions: [QUESTIONS[1], QUESTIONS[0], ...QUESTIONS.slice(2)],
  matching: 300,
  animals: [ANIMALS[4], ...ANIMALS.slice(0, 4)],
  places: PLACES,
};

/** What the second edition says of the shore. */
function shore(page: PDFPage, fonts: Fonts): void {
  heading(page, fonts, 772, 'Before you go down');
  const said = [
    'Read the tide log on the board, and be off the lower shore an hour before the tide turns.',
    'Go in twos. One looks into the pool, the other keeps an eye on the sea.',
    'Put every stone back as you found it: what lives beneath it dries out within minutes.',
    'Nothing that clings is pulled off. What you want to look at, look at where it is.',
  ];
  let y = 752;
  for (const text of said)
    y =
      paragraph(page, text, {
        ...{ x: LEFT, y, width: WIDTH, font: fonts.text, size: 11.5, leading: 17 },
      }) - 10;
}

function heading(page: PDFPage, fonts: Fonts, y: number, text: string): void {
  page.drawText(text, { x: LEFT, y, size: 13, font: fonts.bold, color: INK });
}

const rule = (page: PDFPage, y: number, from = LEFT, to = LEFT + WIDTH): void =>
  page.drawLine({ start: { x: from, y }, end: { x: to, y }, thickness: 0.7, color: LINE });

function answers(page: PDFPage, fonts: Fonts, exercises: Exercises): void {
  const { from, questions, matching, animals, places } = exercises;
  page.drawText(TITLE, { x: LEFT, y: 760, size: 26, font: fonts.bold, color: INK });
  page.drawText('Name', { x: LEFT, y: 728, size: 10, font: fonts.sans, color: GREY });
  rule(page, 726, LEFT + 34, LEFT + 250);
  page.drawText('Group', { x: LEFT + 270, y: 728, size: 10, font: fonts.sans, color: GREY });
  rule(page, 726, LEFT + 306, LEFT + WIDTH);

  heading(page, fonts, from + 12, 'A  Answer in a sentence');
  let y = from;
  questions.forEach((question, k) => {
    const text = `${k + 1}. ${question}`;
    y = paragraph(page, text, {
      ...{ x: LEFT, y, width: WIDTH, font: fonts.text, size: 11.5, leading: 17 },
    });
    rule(page, y - 26);
    rule(page, y - 50);
    y -= 60;
  });

  heading(page, fonts, matching, 'B  Match each animal with its place');
  animals.forEach((item, i) => {
    const row = matching - 34 - i * 38;
    page.drawText(item, { x: LEFT, y: row, size: 11.5, font: fonts.text, color: INK });
    page.drawEllipse({ x: LEFT + 126, y: row + 4, xScale: 2.6, yScale: 2.6, color: INK });
    page.drawEllipse({ x: LEFT + 278, y: row + 4, xScale: 2.6, yScale: 2.6, color: INK });
    page.drawText(places[i], { x: LEFT + 292, y: row, size: 11.5, font: fonts.text, color: INK });
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
