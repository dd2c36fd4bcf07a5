import {
  type PDFDict,
  type PDFDocument,
  PDFHexString,
  PDFName,
  PDFNumber,
  type PDFPage,
  PDFString,
} from '@cantoo/pdf-lib';
import { HANDBOOK } from './content/handbook.ts';
import {
  A4,
  type Fonts,
  footer,
  GREY,
  INK,
  LINE,
  linesOf,
  newDocument,
  paragraph,
} from './sheet.ts';

const LEFT = 76;
const WIDTH = A4.width - 2 * LEFT;
const TITLE = 'Course handbook';

interface Entry {
  readonly title: string;
  readonly page: number;
}

/** About forty pages: cover and contents numbered i, ii …, the rest 1, 2 …; outline, inner links, labels. */
export async function makeHandbook(): Promise<Uint8Array> {
  const { doc, fonts } = await newDocument(TITLE);
  const cover = doc.addPage([A4.width, A4.height]);
  cover.drawText(TITLE, { x: LEFT, y: 560, size: 38, font: fonts.bold, color: INK });
  cover.drawText('A week of field work on the estuary', {
    x: LEFT,
    y: 526,
    size: 15,
    font: fonts.italic,
    color: INK,
  });
  cover.drawLine({
    start: { x: LEFT, y: 508 },
    end: { x: LEFT + 220, y: 508 },
    thickness: 1,
    color: INK,
  });
  cover.drawText('Saltmarsh Field Station', {
    x: LEFT,
    y: 484,
    size: 11,
    font: fonts.sans,
    color: GREY,
  });
  const contents = doc.addPage([A4.width, A4.height]);

  const entries: Entry[] = [];
  for (const chapter of HANDBOOK) {
    for (const [i, topic] of chapter.topics.entries()) {
      const page = doc.addPage([A4.width, A4.height]);
      if (i === 0) entries.push({ title: chapter.title, page: doc.getPageCount() - 1 });
      drawTopic(page, fonts, i === 0 ? chapter.title : null, topic);
    }
  }
  const pages = doc.getPages();
  pages.slice(2).forEach((p, i) => footer(p, fonts, TITLE, String(i + 1)));
  drawContents(doc, contents, fonts, entries);
  addOutline(doc, entries);
  addLabels(doc);
  return doc.save();
}

function drawTopic(
  page: PDFPage,
  fonts: Fonts,
  chapter: string | null,
  topic: (typeof HANDBOOK)[number]['topics'][number],
): void {
  let y = 772;
  if (chapter) {
    page.drawText(chapter, { x: LEFT, y, size: 22, font: fonts.bold, color: INK });
    y -= 34;
  }
  page.drawText(topic.title, { x: LEFT, y, size: 14, font: fonts.bold, color: INK });
  y -= 8;
  for (const text of topic.paragraphs)
    y = paragraph(page, text, {
      x: LEFT,
      y: y - 6,
      width: WIDTH,
      font: fonts.text,
      size: 11,
      leading: 17,
    });
  y -= 12;
  for (const item of topic.list) {
    const [first, ...rest] = linesOf(item, fonts.text, 11, WIDTH - 24);
    y -= 19;
    page.drawRectangle({
      x: LEFT + 2,
      y: y - 0.5,
      width: 8,
      height: 8,
      borderColor: INK,
      borderWidth: 0.7,
    });
    page.drawText(first, { x: LEFT + 22, y, size: 11, font: fonts.text, color: INK });
    for (const line of rest) {
      y -= 15;
      page.drawText(line, { x: LEFT + 22, y, size: 11, font: fonts.text, color: INK });
    }
  }
}

function drawContents(
  doc: PDFDocument,
  page: PDFPage,
  fonts: Fonts,
  entries: readonly Entry[],
): void {
  page.drawText('Contents', { x: LEFT, y: 760, size: 22, font: fonts.bold, color: INK });
  const links = entries.map(({ title, page: at }, i) => {
    const y = 716 - i * 30;
    page.drawText(title, { x: LEFT, y, size: 12, font: fonts.text, color: INK });
    const number = String(at - 1);
    page.drawText(number, {
      x: LEFT + WIDTH - fonts.text.widthOfTextAtSize(number, 12),
      y,
      size: 12,
      font: fonts.text,
      color: INK,
    });
    page.drawLine({
      start: { x: LEFT, y: y - 7 },
      end: { x: LEFT + WIDTH, y: y - 7 },
      thickness: 0.4,
      color: LINE,
    });
    return doc.context.register(
      doc.context.obj({
        Type: 'Annot',
        Subtype: 'Link',
        Rect: [LEFT, y - 6, LEFT + WIDTH, y + 16],
        Border: [0, 0, 0],
        Dest: [doc.getPage(at).ref, 'XYZ', null, null, null],
      }),
    );
  });
  const y = 716 - entries.length * 30 - 10;
  page.drawText('Questions: station@saltmarsh.example', {
    x: LEFT,
    y,
    size: 11,
    font: fonts.text,
    color: INK,
  });
  const mail = doc.context.obj({
    Type: 'Annot',
    Subtype: 'Link',
    Rect: [LEFT, y - 4, LEFT + 220, y + 12],
    Border: [0, 0, 0],
  });
  mail.set(
    PDFName.of('A'),
    doc.context.obj({ S: 'URI', URI: PDFString.of('mailto:station@saltmarsh.example') }),
  );
  page.node.set(PDFName.of('Annots'), doc.context.obj([...links, doc.context.register(mail)]));
}

function addOutline(doc: PDFDocument, entries: readonly Entry[]): void {
  const { context } = doc;
  const root = context.nextRef();
  const refs = entries.map(() => context.nextRef());
  entries.forEach(({ title, page }, i) => {
    const item = context.obj({ Parent: root, Dest: [doc.getPage(page).ref, 'Fit'] }) as PDFDict;
    item.set(PDFName.of('Title'), PDFHexString.fromText(title));
    if (i > 0) item.set(PDFName.of('Prev'), refs[i - 1]);
    if (i + 1 < refs.length) item.set(PDFName.of('Next'), refs[i + 1]);
    context.assign(refs[i], item);
  });
  const outline = context.obj({
    Type: 'Outlines',
    First: refs[0],
    Last: refs[refs.length - 1],
  }) as PDFDict;
  outline.set(PDFName.of('Count'), PDFNumber.of(refs.length));
  context.assign(root, outline);
  doc.catalog.set(PDFName.of('Outlines'), root);
}

function addLabels(doc: PDFDocument): void {
  doc.catalog.set(
    PDFName.of('PageLabels'),
    doc.context.obj({ Nums: [0, { S: 'r' }, 2, { S: 'D' }] }),
  );
}
