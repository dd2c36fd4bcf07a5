import { loadImage } from '@napi-rs/canvas';
import { PDFDocument, PDFName, type PDFRef } from '@cantoo/pdf-lib';
import type { Drawing } from '@marginalis/core/drawing';
import { box, ellipseInto, PathBuilder } from '@marginalis/core/geometry';
import { PNG } from 'pngjs';
import { registerAppearance } from '../core/src/pdf/sink/appearance';
import { encodeForm } from '../core/src/pdf/sink/formWriter';
import { Held, type HeldFiles } from '../core/src/pdf/sink/held';
import { registerForm } from '../core/src/pdf/sink/registerForm';
import type { TextBlock } from '../core/src/type';
import { openFace, placeText, setBlock, setText } from '../core/src/type/typesetter';
import { faceFile, shippedFonts } from '../core/testing/faces';
import { changeBetween, marksApart, type Picture } from './support/pictures';
import { complaintOfQpdf, newComplaints, pictureBy, textOf } from './support/programs';
import { READER_NAMES } from './support/readers';
import { paintedOnScreen } from './support/screen';

/** One drawing, every kind of item in it, through every sink: what readers show is what the screen shows. */

const DPI = 144;
const [WIDTH, HEIGHT] = [300, 400];
const PAGE = box(0, 0, WIDTH, HEIGHT);
const fonts = shippedFonts();
const setting = { ...fonts, setBlock: (block: TextBlock) => setBlock(block, fonts) };

const ring = (x: number, y: number, r: number) => {
  const path = new PathBuilder();
  ellipseInto(path, { x, y }, r, r);
  return path.build();
};
const square = (x: number, y: number, side: number) => {
  const path = new PathBuilder();
  path.moveTo(x, y);
  path.lineTo(x + side, y);
  path.lineTo(x + side, y + side);
  path.lineTo(x, y + side);
  path.closePath();
  return path.build();
};

const LINES = [
  'AVATAR, efficient tides',
  'Łódź žluťoučký x\u0323\u0301',
  'مد وجزر في المختبر',
  'שלום 12 pools',
  'ज्वार-भाटा क्षेत्र',
];
const SENTENCES = LINES.map((line, i) =>
  setText(line, { face: i === 0 ? 'serif' : 'sans', size: 17 }, Infinity, fonts),
);

const black = { colour: '#1f3361', opacity: 1 };
const text: Drawing = SENTENCES.flatMap((set, i) =>
  placeText(set, [1, 0, 0, 1, 30, 370 - 30 * i]).map((run) => ({
    is: 'glyphs' as const,
    run,
    paint: black,
  })),
);

/** A small picture: four colours in a square, red at the upper left. */
function picturePng(): Uint8Array {
  const png = new PNG({ width: 2, height: 2 });
  const colours = [
    [194, 47, 23],
    [15, 117, 102],
    [31, 51, 97],
    [255, 217, 31],
  ];
  colours.forEach(([r, g, b], i) => png.data.set([r, g, b, 255], 4 * i));
  return new Uint8Array(PNG.sync.write(png));
}
const PICTURE = 'c'.repeat(64);

const shapes: Drawing = [
  { is: 'fill', path: ring(60, 180, 30), paint: { colour: '#0f7566', opacity: 0.6 } },
  { is: 'picture', source: PICTURE, place: [60, 0, 0, 60, 210, 60], opacity: 0.8 },
  {
    is: 'group',
    opacity: 0.5,
    items: [
      { is: 'fill', path: ring(120, 180, 28), paint: { colour: '#c22f17', opacity: 1 } },
      { is: 'fill', path: ring(150, 180, 28), paint: { colour: '#1f3361', opacity: 1 } },
    ],
  },
  {
    is: 'group',
    clip: square(40, 60, 60),
    items: [{ is: 'fill', path: ring(70, 90, 40), paint: { colour: '#7a4a1e', opacity: 1 } }],
  },
  {
    is: 'group',
    blend: 'multiply',
    opacity: 0.75,
    items: [
      { is: 'fill', path: square(30, 340, 200), paint: { colour: '#ffd91f', opacity: 1 } },
      { is: 'fill', path: square(60, 330, 200), paint: { colour: '#ffd91f', opacity: 1 } },
    ],
  },
];
const drawing: Drawing = [...text, ...shapes];
const files: HeldFiles = {
  face: async (name) => openFace(name, faceFile(name)),
  picture: async () => ({ bytes: picturePng(), type: 'image/png' }),
};

async function pdfWith(draw: (doc: PDFDocument, held: Held) => Promise<void>): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  doc.addPage([WIDTH, HEIGHT]);
  const held = new Held(doc.context, files);
  await draw(doc, held);
  await held.finish();
  return doc.save({ useObjectStreams: false });
}

const asContent = (items: Drawing): Promise<Uint8Array> =>
  pdfWith(async (doc, held) => {
    const form = registerForm(doc.context, await encodeForm(items, undefined), PAGE, held);
    const { node } = doc.getPage(0);
    node.set(PDFName.of('Resources'), doc.context.obj({ XObject: { Marks: form } }));
    node.set(PDFName.of('Contents'), doc.context.register(doc.context.stream('/Marks Do')));
  });

const asAnnotation = (items: Drawing): Promise<Uint8Array> =>
  pdfWith(async (doc, held) => {
    const form: PDFRef = await registerAppearance(doc.context, items, PAGE, held);
    const annotation = doc.context.register(
      doc.context.obj({
        Type: 'Annot',
        Subtype: 'Stamp',
        F: 4,
        Rect: [0, 0, WIDTH, HEIGHT],
        AP: { N: form },
      }),
    );
    doc.getPage(0).node.set(PDFName.of('Annots'), doc.context.obj([annotation]));
  });

/** The same as the screen paints it, on white. */
const onScreen = async (items: Drawing): Promise<Picture> => {
  const picture = await loadImage(Buffer.from(picturePng()));
  return paintedOnScreen(
    items,
    { width: WIDTH, height: HEIGHT, dpi: DPI },
    {
      fonts: setting,
      picture: () => picture as never,
    },
  );
};

const white = (p: Picture): Picture => ({ ...p, data: p.data.map(() => 255) });
/** How far two pictures are apart, of everything that is drawn; see marksApart. */
const apart = (a: Picture, b: Picture): number =>
  marksApart(changeBetween(white(a), a), changeBetween(white(b), b));

/** Renderers smooth a picture of four pixels each in its own way; it is compared apart. */
const sharp = drawing.filter((item) => item.is !== 'picture');

test.each(READER_NAMES)(
  '%s shows page content and appearance as the screen does',
  async (reader) => {
    const screen = await onScreen(sharp);
    const [content, annotation] = await Promise.all([asContent(sharp), asAnnotation(sharp)]);
    const shown = await pictureBy(reader, content, 1, DPI);
    expect(apart(shown, screen)).toBeLessThan(0.03);
    expect(apart(await pictureBy(reader, annotation, 1, DPI), shown)).toBeLessThan(0.01);
  },
);

test('the file is sound, and what it says is found, left to right and right to left', async () => {
  const bytes = await asContent(drawing);
  expect(complaintOfQpdf(bytes)).toBeNull();
  expect(newComplaints(await asContent([]), bytes)).toEqual([]);
  const words = textOf(bytes).normalize('NFC');
  for (const line of LINES)
    for (const word of line.normalize('NFC').split(' ')) expect(words).toContain(word);
});

test('a picture lies upright in its place', async () => {
  const bytes = await asContent(drawing.filter((item) => item.is === 'picture'));
  const shown = await pictureBy('PDFium', bytes, 1, DPI);
  const at = (x: number, y: number): number[] => {
    const i =
      4 * (Math.round(((HEIGHT - y) * DPI) / 72) * shown.width + Math.round((x * DPI) / 72));
    return [...shown.data.slice(i, i + 3)];
  };
  const near = (seen: number[], colour: number[]): void =>
    seen.forEach((c, k) => expect(Math.abs(c - (colour[k] * 0.8 + 255 * 0.2))).toBeLessThan(12));
  near(at(215, 115), [194, 47, 23]);
  near(at(265, 115), [15, 117, 102]);
  near(at(215, 65), [31, 51, 97]);
  near(at(265, 65), [255, 217, 31]);
});
