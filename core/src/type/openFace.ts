import * as fontkit from '@cantoo/fontkit';
import { type Path, PathBuilder } from '../geometry/index.ts';
import type { Face, FaceSubset, ShapedGlyph } from './face.ts';
import type { FaceName, OwnFace } from './faces.ts';

interface Glyph {
  readonly id: number;
  readonly codePoints: readonly number[];
  readonly advanceWidth: number;
  readonly bbox: { minX: number; maxX: number };
  readonly path: { readonly commands: readonly { command: string; args: number[] }[] };
}
interface Position {
  readonly xAdvance: number;
  readonly xOffset: number;
  readonly yOffset: number;
}
interface Font {
  readonly postscriptName: string | null;
  readonly unitsPerEm: number;
  readonly ascent: number;
  readonly descent: number;
  readonly capHeight: number;
  readonly italicAngle: number;
  readonly bbox: { minX: number; minY: number; maxX: number; maxY: number };
  readonly 'OS/2'?: {
    readonly fsType: { noEmbedding: boolean; noSubsetting: boolean; bitmapOnly: boolean };
  };
  /** Its tables by their tags. */
  readonly directory: { readonly tables: Readonly<Record<string, object | undefined>> };
  hasGlyphForCodePoint(codePoint: number): boolean;
  getGlyph(id: number, codePoints?: readonly number[]): Glyph;
  layout(
    text: string,
    features?: readonly string[],
    script?: string,
    language?: string,
    direction?: 'ltr' | 'rtl',
  ): { readonly glyphs: readonly Glyph[]; readonly positions: readonly Position[] };
  createSubset(): { includeGlyph(glyph: Glyph | number): number; encode(): Uint8Array };
}

/** Thrown when bytes are no font that can be used. */
export class FaceError extends Error {
  override readonly name = 'FaceError';
}

/** @throws FaceError */
export function openFace(name: FaceName, bytes: Uint8Array): Face {
  let font: Font;
  try {
    font = (fontkit as unknown as { create(bytes: Uint8Array): Font }).create(bytes);
  } catch (e) {
    throw new FaceError(`The face "${name}" cannot be read: ${String(e)}`);
  }
  tellApart(font);
  return faceOf(name, font);
}

/** The first bytes of a font (OpenType, table directory): of one with TrueType outlines 1.0, or what was written for it once; with others OTTO. */
const KNOWN = ['00010000', '74727565', '4f54544f'];

/**
 * Opens a font file of a person's own: one face, with outlines as they can be put into a copy.
 * @throws FaceError with a sentence for that person
 */
export function openOwnFace(name: OwnFace, bytes: Uint8Array): Face {
  const head = [...bytes.subarray(0, 4)].map((n) => n.toString(16).padStart(2, '0')).join('');
  if (head === '74746366')
    throw new FaceError('This file holds several fonts: choose a file with a single one.');
  if (!KNOWN.includes(head))
    throw new FaceError('This is no font that can be used: choose a .ttf or .otf file.');
  try {
    const face = openFace(name, bytes);
    // What is damaged shows when a letter is asked for.
    face.shape('A', false).forEach(({ id }) => face.outlineOf(id));
    face.subset([0]);
    return face;
  } catch (e) {
    throw new FaceError(
      `This font is damaged and cannot be used (${e instanceof Error ? e.message : String(e)}).`,
    );
  }
}

/**
 * Each glyph of a layout says what it stands for. The library keeps one object a glyph, which says for ever what it stood
 * for first.
 */
function tellApart(font: Font): void {
  const kept = font.getGlyph.bind(font);
  font.getGlyph = (id, codePoints) => {
    const glyph = kept(id, codePoints);
    return codePoints && codePoints.length > 0
      ? (Object.create(glyph, { codePoints: { value: codePoints } }) as Glyph)
      : glyph;
  };
}

function faceOf(name: FaceName, font: Font): Face {
  const em = font.unitsPerEm;
  const outlines = new Map<number, Path>();
  const { minX, minY, maxX, maxY } = font.bbox;
  return {
    name,
    postscriptName: font.postscriptName ?? name,
    mayEmbed: mayEmbed(font),
    ascent: font.ascent / em,
    descent: -font.descent / em,
    capHeight: font.capHeight / em,
    italicAngle: font.italicAngle,
    box: [minX / em, minY / em, maxX / em, maxY / em],
    has: (codePoint) => font.hasGlyphForCodePoint(codePoint),
    shape(text, rightToLeft) {
      const direction = rightToLeft ? 'rtl' : 'ltr';
      const { glyphs, positions } = font.layout(text, undefined, undefined, undefined, direction);
      let before: Glyph | null = null;
      return glyphs.map((glyph, i): ShapedGlyph => {
        const { xAdvance, xOffset, yOffset } = positions[i];
        const isLoose = isLatinMark(glyph) && xOffset === 0 && yOffset === 0;
        const aside = isLoose && before ? centredOver(before, glyph) : 0;
        if (xAdvance > 0) before = glyph;
        return {
          id: glyph.id,
          text: String.fromCodePoint(...glyph.codePoints),
          advance: xAdvance / em,
          dx: (xOffset + aside) / em,
          dy: yOffset / em,
        };
      });
    },
    advanceOf: (glyph) => font.getGlyph(glyph).advanceWidth / em,
    outlineOf(glyph) {
      let outline = outlines.get(glyph);
      if (!outline) outlines.set(glyph, (outline = outlineOf(font.getGlyph(glyph), em)));
      return outline;
    },
    subset(glyphs): FaceSubset {
      const subset = font.createSubset();
      const ids = new Map<number, number>([[0, 0]]);
      for (const id of glyphs)
        if (!ids.has(id)) ids.set(id, subset.includeGlyph(font.getGlyph(id)));
      return {
        bytes: subset.encode(),
        ids,
        outlines: font.directory.tables['CFF '] ? 'cff' : 'truetype',
      };
    },
  };
}

/** Subsets of outlines go into copies: a file that forbids one of these is left out. One that says nothing is free. */
function mayEmbed(font: Font): boolean {
  const fsType = font['OS/2']?.fsType;
  return !fsType || !(fsType.noEmbedding || fsType.noSubsetting || fsType.bitmapOnly);
}

const isLatinMark = ({ codePoints: [first] }: Glyph): boolean => first >= 0x300 && first <= 0x36f;

/** How far a mark that the face places nowhere has to go to stand over the middle of its letter. */
const centredOver = (letter: Glyph, mark: Glyph): number =>
  (letter.bbox.minX + letter.bbox.maxX) / 2 -
  letter.advanceWidth -
  (mark.bbox.minX + mark.bbox.maxX) / 2;

function outlineOf({ path }: Glyph, em: number): Path {
  const out = new PathBuilder();
  let [x, y] = [0, 0];
  for (const { command, args } of path.commands) {
    const a = args.map((n) => n / em);
    if (command === 'moveTo') out.moveTo(a[0], a[1]);
    else if (command === 'lineTo') out.lineTo(a[0], a[1]);
    else if (command === 'bezierCurveTo') out.bezierCurveTo(a[0], a[1], a[2], a[3], a[4], a[5]);
    else if (command === 'quadraticCurveTo') {
      // A quadratic curve as the cubic that is the same.
      const [cx, cy, ex, ey] = a;
      const third = (from: number, c: number): number => from + (2 / 3) * (c - from);
      out.bezierCurveTo(third(x, cx), third(y, cy), third(ex, cx), third(ey, cy), ex, ey);
    } else out.closePath();
    if (a.length > 0) [x, y] = a.slice(-2);
  }
  return out.build();
}
