import { readFileSync } from 'node:fs';
import { PDFDocument } from '@cantoo/pdf-lib';
import fc from 'fast-check';
import { layersOf } from '../core/src/derived';
import { emptyDocument, marksOn } from '../core/src/document';
import { emptyText, keepText } from '../core/src/editing';
import { plainPage, transform } from '../core/src/geometry';
import { type Mark, placeOfBox, type TextMark } from '../core/src/kinds';
import { FIRST_ROLL } from '../core/src/marks';
import { makeFixedCopy } from '../core/src/pdf';
import type { Fonts, TextBlock } from '../core/src/type';
import { FaceError } from '../core/src/type/openFace';
import { retyped, spansBetween } from '../core/src/type/spans';
import * as typesetter from '../core/src/type/typesetter';
import { faceFile, shippedFonts } from '../core/testing/faces';
import { done, pageRefsFor } from '../core/testing/marks';
import { boxesByPoppler } from './support/printBy';
import { changeBetween, marksApart, type Picture } from './support/pictures';
import { complaintOfQpdf, pictureBy, textOf } from './support/programs';
import { READER_NAMES } from './support/readers';
import { paintedOnScreen } from './support/screen';

/**
 * Text boxes as a copy has them: every line breaks where it does on the screen, letters stand where they do, six readers show the same, and what is said is
 * there as text (poppler's pdftotext, the readers of `support/readers`).
 */

const DPI = 144;
const SHEET = { width: 420, height: 595 };
const fonts = shippedFonts();
const setting = { ...fonts, setBlock: (block: TextBlock) => typesetter.setBlock(block, fonts) };
const PAGES = pageRefsFor([plainPage(SHEET.width, SHEET.height)]);

interface Box {
  readonly text: string;
  readonly at: readonly [number, number];
  readonly width: number;
  readonly angle?: number;
  readonly change?: Partial<TextBlock>;
  readonly face?: Partial<(typeof FIRST_ROLL)[10]>;
}

const LATIN =
  'Acorn barnacles settle where others have settled; AVATAR, efficient, “quoted”, Łódź – and stay for life.';
const BOXES: readonly Box[] = [
  { text: LATIN, at: [20, 580], width: 180 },
  {
    text: LATIN,
    at: [220, 580],
    width: 180,
    change: { align: 'centre' },
    face: { family: 'serif' },
  },
  {
    text: LATIN,
    at: [20, 500],
    width: 180,
    change: { align: 'end' },
    face: { family: 'mono', size: 9 },
  },
  { text: LATIN, at: [220, 500], width: 180, face: { family: 'hand', size: 13 } },
  { text: 'Dry zone\n\nwet zone: Ωμέγα, Прилив', at: [20, 420], width: 180, face: { bold: true } },
  { text: 'المد والجزر يحددان ما يعيش على الصخور في المختبر', at: [220, 420], width: 180 },
  {
    text: 'גאות ושפל קובעים מה חי על הסלעים',
    at: [20, 360],
    width: 120,
    face: { underline: true },
  },
  { text: 'ज्वार-भाटा तय करता है कि चट्टान पर कौन रहता है', at: [220, 360], width: 180 },
  { text: 'Pool שלום 12 and مد وجزر, then (tide) again', at: [20, 290], width: 150 },
  { text: 'x\u0323\u0301 e\u0301 o\u0302\u0301 combining', at: [220, 290], width: 180 },
  {
    text: 'Mussels hold on with threads\nBarnacles',
    at: [200, 245],
    width: 110,
    change: { list: 'numbers' },
  },
  { text: LATIN, at: [320, 245], width: 90, change: { fit: 30 } },
  { text: 'LIMPET 27', at: [20, 240], width: 150, change: { cell: 15 } },
  { text: LATIN, at: [60, 60], width: 150, angle: Math.PI / 2 },
  { text: LATIN, at: [220, 220], width: 150, angle: -Math.PI / 6 },
];

function markOf({ text, at, width, angle = 0, change, face }: Box, k: number): TextMark {
  const empty = emptyText(emptyDocument(PAGES), {
    id: `t${k}`,
    page: 'p0',
    instrument: { ...FIRST_ROLL[10], ...face },
    at: { x: at[0], y: at[1] },
    angle,
    width,
    madeAt: 1_760_000_000_000 + k,
  });
  const block = { ...empty.block, ...change, spans: retyped(empty.block.spans, text) };
  return { ...empty, block, height: typesetter.setBlock(block, fonts).height };
}
const marks = BOXES.map(markOf);
const stateWith = (some: readonly TextMark[]) =>
  some.reduce((state, mark) => done(state, keepText(null, mark)), emptyDocument(PAGES));
async function blank(): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  doc.addPage([SHEET.width, SHEET.height]);
  return doc.save();
}
const copyWith = async (some: readonly TextMark[], own?: Uint8Array): Promise<Uint8Array> =>
  (
    await makeFixedCopy(await blank(), stateWith(some), {
      typesetter,
      face: async (name) =>
        name === 'own-1' && own
          ? typesetter.openOwnFace(name, own)
          : typesetter.openFace(name, faceFile(name)),
      ...(own ? { own: ['own-1'] } : {}),
    })
  ).bytes;
const drawn = (some: readonly Mark[]) => {
  const { over } = layersOf(marksOn(stateWith(some as TextMark[]), 'p0'));
  return paintedOnScreen(over, { ...SHEET, dpi: DPI }, { fonts: setting });
};
const white = (p: Picture): Picture => ({ ...p, data: p.data.map(() => 255) });
const apart = (a: Picture, b: Picture): number =>
  marksApart(changeBetween(white(a), a), changeBetween(white(b), b));

/** All of them when every reference is checked: comparing takes seconds. */
const READERS_ASKED =
  process.env.REFERENCES === 'all'
    ? READER_NAMES
    : (['poppler, Splash', 'MuPDF', 'PDFium'] as const);

/** Has no reader be farther from the screen than from others, nor so far that something else would be seen. */
async function isSeenAlike(bytes: Uint8Array, screen: Picture, most: number): Promise<void> {
  const shown = await Promise.all(READERS_ASKED.map((reader) => pictureBy(reader, bytes, 1, DPI)));
  const between = shown.map((a, k) => shown.map((b, n) => (n > k ? apart(a, b) : 0)));
  const middle = (all: readonly number[]): number =>
    [...all].sort((a, b) => a - b)[Math.floor(all.length / 2)];
  READERS_ASKED.forEach((reader, k) => {
    const others = shown.flatMap((_, n) =>
      n === k ? [] : between[Math.min(k, n)][Math.max(k, n)],
    );
    const away = apart(shown[k], screen);
    console.log(
      `${reader}: ${away.toFixed(3)} from the screen, ${middle(others).toFixed(3)} from others`,
    );
    // Small letters are mostly edges, which each reader smooths, and some shift by parts of a pixel.
    expect(away).toBeLessThan(1.2 * middle(others));
    expect(away).toBeLessThan(most);
  });
}

test('the screen is no farther from readers than they are from each other', async () =>
  isSeenAlike(await copyWith(marks), drawn(marks), 0.08));

test('every line breaks where it does on the screen, and every word stands within a quarter of a point', async () => {
  // Words of one direction, upright: poppler tells boxes of these.
  for (const mark of marks.slice(0, 5)) {
    const bytes = await copyWith([mark]);
    const words = boxesByPoppler(bytes, 1);
    const place = placeOfBox(mark);
    const { lines } = typesetter.setBlock(mark.block, fonts);
    const text = spansBetween(mark.block.spans, 0, 1e6)
      .map((span) => span.text)
      .join('');
    const expected = lines.flatMap(({ runs, from, to }) => {
      const said = text.slice(from, to);
      return [...said.matchAll(/\S+/g)].map(({ 0: word, index }) => {
        // Which glyph stands at the word's first unit: runs say what they say from left to right here.
        let unit = 0;
        for (const run of runs)
          for (const glyph of run.glyphs) {
            if (unit === index)
              return {
                word,
                ...transform(place, {
                  x: run.place[4] + glyph.x + mark.padding,
                  y: run.place[5] - mark.padding,
                }),
              };
            unit += glyph.text.length;
          }
        return { word, x: NaN, y: NaN };
      });
    });
    expect(words.map((word) => word.text.normalize('NFC'))).toEqual(
      expected.map(({ word }) => word.normalize('NFC')),
    );
    words.forEach(({ box }, k) => {
      expect(Math.abs(box.minX - expected[k].x)).toBeLessThan(0.25);
      // Its box reaches from above what it stands on to beneath it.
      const y = SHEET.height - expected[k].y;
      expect(box.minY).toBeLessThan(y);
      expect(box.maxY).toBeGreaterThan(y);
    });
  }
});

test('what is typed is there as text, in the order it is read, in a sound file', async () => {
  for (const mark of marks) {
    const bytes = await copyWith([mark]);
    expect(complaintOfQpdf(bytes)).toBeNull();
    const said = mark.block.spans.map(({ text }) => text).join('');
    const found = textOf(bytes)
      .normalize('NFC')
      .replace(/[\u200e\u200f\u202a-\u202e\u2066-\u2069]/g, '');
    for (const word of said.normalize('NFC').split(/\s+/))
      if (mark.angle === 0 || mark.angle === Math.PI / 2) expect(found).toContain(word);
  }
});

test('five thousand words in one box are in the copy, in order', async () => {
  const words = Array.from({ length: 5000 }, (_, k) => `w${k.toString(36)}`);
  const mark = markOf({ text: words.join(' '), at: [5, 590], width: 410, face: { size: 4 } }, 0);
  // Poppler parts letters that are kerned far apart: what counts is the order of all.
  const found = textOf(await copyWith([mark])).replace(/\s/g, '');
  // What runs over the foot of the page is not on it.
  expect(found.length).toBeGreaterThan(0.8 * words.join('').length);
  expect(words.join('').slice(0, found.length)).toBe(found);
});

test('a sign that a font file of one’s own has is seen in the copy; without it an empty box stands for it, and it is text all the same', async () => {
  // A face of another package, for signs that draw boxes (Unicode, block Box Drawing).
  const own = new Uint8Array(
    readFileSync('node_modules/pdfjs-dist/standard_fonts/LiberationSans-Regular.ttf'),
  );
  const mark = markOf({ text: 'Square ╬ here', at: [20, 500], width: 200 }, 0);
  const bytes = await copyWith([mark], own);
  expect(complaintOfQpdf(bytes)).toBeNull();
  expect(textOf(bytes)).toContain('Square ╬ here');
  const without = await copyWith([mark]);
  expect(textOf(without)).toContain('Square ╬ here');
  const [seen, boxed] = await Promise.all(
    [bytes, without].map((copy) => pictureBy('MuPDF', copy, 1, DPI)),
  );
  expect(seen.data.filter((value, k) => value !== boxed.data[k]).length).toBeGreaterThan(100);
});

/** Fonts whose letters are drawn in the other way (CFF); Debian has them beside ghostscript. */
const OTHERS = ['NimbusSans-Regular', 'P052-Italic', 'C059-Roman'];

test.each(process.env.REFERENCES === 'all' ? OTHERS : OTHERS.slice(0, 1))(
  'signs of a font with CFF outlines are where the screen has them, and text: %s',
  async (name) => {
    const file = new Uint8Array(readFileSync(`/usr/share/fonts/opentype/urw-base35/${name}.otf`));
    const own = typesetter.openOwnFace('own-1', file);
    const all: Fonts = {
      own: ['own-1'],
      face: (asked) => (asked === 'own-1' ? own : fonts.face(asked)),
    };
    const text = '╠╬╣ ☺ 〈╒╕〉 ╟┼╢ ╘╛ ╭╮╰╯';
    const mark = markOf({ text, at: [20, 560], width: 380, face: { size: 40 } }, 0);
    const bytes = await copyWith([mark], file);
    expect(complaintOfQpdf(bytes)).toBeNull();
    expect(textOf(bytes).replace(/\s/g, '')).toBe(text.replace(/\s/g, ''));
    const { over } = layersOf(marksOn(stateWith([mark]), 'p0'));
    const screen = paintedOnScreen(
      over,
      { ...SHEET, dpi: DPI },
      { fonts: { ...all, setBlock: (block) => typesetter.setBlock(block, all) } },
    );
    // One reader moves thin strokes onto whole pixels.
    await isSeenAlike(bytes, screen, 0.13);
  },
);

test('however such a font is damaged, it is refused or used', () => {
  const whole = readFileSync(`/usr/share/fonts/opentype/urw-base35/${OTHERS[0]}.otf`);
  fc.assert(
    fc.property(
      fc.nat({ max: whole.length - 1 }),
      fc.array(fc.tuple(fc.nat({ max: 40_000 }), fc.nat({ max: 255 })), { maxLength: 12 }),
      (length, changes) => {
        const bytes = new Uint8Array(whole.subarray(0, changes.length > 0 ? undefined : length));
        for (const [at, value] of changes) bytes[at] = value;
        try {
          expect(typesetter.openOwnFace('own-1', bytes).name).toBe('own-1');
        } catch (e) {
          expect(e).toBeInstanceOf(FaceError);
        }
      },
    ),
    { numRuns: 60 },
  );
});
