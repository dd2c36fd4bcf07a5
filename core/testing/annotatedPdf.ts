import { PDFDocument, PDFName, PDFString, type PDFRef, StandardFonts } from '@cantoo/pdf-lib';

/** Where the lines of the page stand, points from its foot. */
export const LINES = [
  { y: 700, text: 'Barnacles settle where others have settled before them.' },
  { y: 680, text: 'Their larvae feel the rock with their feelers for hours.' },
  { y: 660, text: 'Once they have chosen they never leave.' },
] as const;

/** How far the ink's line swings, points. */
const INK_TOP = 620;

/** The page with nothing but its lines. */
async function shorePage() {
  const doc = await PDFDocument.create({ updateMetadata: false });
  const font = await doc.embedFont(StandardFonts.Helvetica);
  const page = doc.addPage([595, 842]);
  for (const { y, text } of LINES) page.drawText(text, { x: 72, y, size: 14, font });
  return { doc, font, page };
}

/** The same in bytes. */
export const shorePdf = async (): Promise<Uint8Array> =>
  (await shorePage()).doc.save({ useObjectStreams: false });

/** A page that two people have marked with another program: every kind that can be a mark, answers and a state, and a stamp; `only` of one kind where that is named. */
export async function annotatedPdf(only?: string): Promise<Uint8Array> {
  const { doc, font, page } = await shorePage();
  const { context } = doc;
  const widthOf = (text: string): number => font.widthOfTextAtSize(text, 14);
  const form = (content: string, bbox: number[], resources = {}): PDFRef =>
    context.register(
      context.stream(content, {
        Type: 'XObject',
        Subtype: 'Form',
        BBox: bbox,
        Resources: resources,
      }),
    );
  const add = (entries: Record<string, unknown>): PDFRef => {
    const { T = 'Ada Rowan', day = '01', ...rest } = entries as { T?: string; day?: string };
    const texts = Object.fromEntries(
      Object.entries(rest).map(([key, value]) => [
        key,
        typeof value === 'string' && TEXTS.has(key) ? PDFString.of(value) : value,
      ]),
    );
    const date = PDFString.of(`D:202610${day}090000+02'00'`);
    const ref = context.register(
      context.obj({
        Type: 'Annot',
        F: 4,
        T: PDFString.of(T),
        CreationDate: date,
        M: date,
        P: page.ref,
        ...texts,
      } as never),
    );
    if (only === undefined || entries.Subtype === only) page.node.addAnnot(ref);
    return ref;
  };

  const first = widthOf(LINES[0].text.slice(0, 'Barnacles settle'.length));
  const highlight = add({
    Subtype: 'Highlight',
    NM: 'h-1',
    C: [1, 0.85, 0.1],
    Contents: 'Who was the first, then?',
    Rect: [72, 696, 72 + first, 712],
    QuadPoints: [72, 712, 72 + first, 712, 72, 696, 72 + first, 696],
  });
  add({
    Subtype: 'Text',
    NM: 'a-1',
    T: 'Tom Ferrier',
    day: '02',
    Contents: 'A larva that could not wait.',
    IRT: highlight,
    RT: 'R',
    F: 6,
    Rect: [72, 696, 92, 716],
  });
  add({
    Subtype: 'Text',
    T: 'Ada Rowan',
    day: '03',
    Contents: 'Completed set by Ada Rowan',
    State: 'Completed',
    StateModel: 'Review',
    IRT: highlight,
    F: 6,
    Rect: [72, 696, 92, 716],
  });
  const [from, to] = [72 + widthOf('Their larvae '), 72 + widthOf('Their larvae feel the rock')];
  // Round from the lower left, as the standard has it.
  add({
    Subtype: 'Underline',
    NM: 'u-1',
    C: [0.1, 0.4, 0.9],
    Contents: 'feel the rock',
    Rect: [from, 676, to, 692],
    QuadPoints: [from, 676, to, 676, to, 692, from, 692],
  });
  add({
    Subtype: 'Ink',
    NM: 'i-1',
    T: 'Tom Ferrier',
    C: [0.76, 0.18, 0.09],
    BS: { W: 2 },
    InkList: [[100, 560, 160, 600, 220, 560]],
    Rect: [98, 558, 222, 624],
    AP: {
      N: form(
        `0.76 0.18 0.09 RG 2 w 1 J 1 j 100 560 m 130 ${INK_TOP + 20} 190 ${INK_TOP + 20} 220 560 c S`,
        [98, 558, 222, 624],
      ),
    },
  });
  add({
    Subtype: 'Square',
    C: [0.06, 0.46, 0.4],
    IC: [0.9, 1, 0.95],
    BS: { W: 3, S: 'D', D: [6] },
    Rect: [300, 540, 420, 620],
  });
  add({
    Subtype: 'Circle',
    C: [0.49, 0.18, 0.56],
    Rect: [440, 540, 540, 620],
  });
  add({
    Subtype: 'Line',
    C: [0.1, 0.1, 0.1],
    L: [100, 500, 240, 470],
    LE: ['None', 'OpenArrow'],
    Rect: [95, 460, 245, 505],
  });
  add({
    Subtype: 'Polygon',
    C: [0.76, 0.18, 0.09],
    Vertices: [300, 460, 360, 520, 420, 460],
    Rect: [298, 458, 422, 522],
  });
  add({
    Subtype: 'FreeText',
    T: 'Tom Ferrier',
    Contents: 'Compare with the limpets of chapter 3.',
    DA: '0.12 0.2 0.38 rg /Helv 13 Tf',
    Q: 0,
    Rect: [72, 380, 260, 430],
  });
  const note = add({
    Subtype: 'Text',
    NM: 'n-1',
    C: [0.76, 0.18, 0.09],
    Contents: 'This page wants a picture.',
    Rect: [500, 700, 520, 720],
  });
  const popup = context.register(
    context.obj({ Type: 'Annot', Subtype: 'Popup', Parent: note, Rect: [520, 600, 590, 700] }),
  );
  if (only === undefined) page.node.addAnnot(popup);
  (context.lookup(note) as unknown as { set(k: PDFName, v: PDFRef): void }).set(
    PDFName.of('Popup'),
    popup,
  );
  add({
    Subtype: 'Stamp',
    Contents: 'Seen',
    Rect: [430, 380, 530, 420],
    AP: {
      N: form('0.7 0.1 0.1 RG 3 w 2 2 96 36 re S 0.7 0.1 0.1 rg 20 16 60 8 re f', [0, 0, 100, 40]),
    },
  });
  // Two strokes of a pen that felt the hand: filled, wider where it pressed.
  add({
    Subtype: 'Ink',
    NM: 'i-2',
    C: [0.12, 0.2, 0.38],
    InkList: [
      [100, 300, 200, 300],
      [120, 270, 180, 270],
    ],
    Rect: [95, 260, 205, 310],
    AP: {
      N: form(
        '0.12 0.2 0.38 rg 99 300 m 130 307 170 307 201 300 c 170 297 130 297 99 300 c f 119 270 m 150 274 l 181 270 l 150 266 l h f',
        [95, 260, 205, 310],
      ),
    },
  });
  return doc.save({ useObjectStreams: false });
}

/** Entries that are text where names are given as words too. */
const TEXTS = new Set(['NM', 'Contents', 'DA', 'State', 'StateModel']);
