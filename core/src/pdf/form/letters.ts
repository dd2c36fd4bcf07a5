import { PDFDict, PDFName } from '@cantoo/pdf-lib';
import { colourOfLevels } from '../../annotations/index.ts';
import type { Family } from '../../type/index.ts';
import { textIn } from './entries.ts';

/** How the default appearance of a field says its letters look (ISO 32000-1 §12.7.3.3). */
export interface DefaultLetters {
  readonly family: Family;
  readonly bold: boolean;
  readonly italic: boolean;
  /** Points; as large as fits with 0. */
  readonly size: number;
  /** `#rrggbb`. */
  readonly colour: string;
}

const BLACK = '#000000';
/** Points: larger letters are damage. */
const LARGEST = 500;
const COUNTS: Readonly<Record<string, number>> = { g: 1, rg: 3, k: 4 };

/**
 * Reads a default appearance string.
 * @param resources what the names of faces in it stand for; null where nothing is said
 */
export function defaultLetters(appearance: unknown, resources: PDFDict | null): DefaultLetters {
  const words = (textIn(appearance) ?? '').trim().split(/\s+/);
  let [face, size, colour] = ['', 0, BLACK];
  for (const [k, word] of words.entries()) {
    if (word === 'Tf') {
      face = (words[k - 2] ?? '').replace(/^\//, '');
      size = Math.abs(Number(words[k - 1])) || 0;
    }
    const count = COUNTS[word];
    if (count) {
      const levels = words.slice(Math.max(0, k - count), k).map(Number);
      if (levels.length === count && levels.every(Number.isFinite))
        colour = colourOfLevels(levels) ?? BLACK;
    }
  }
  return { ...lookOf(nameOf(face, resources)), size: Math.min(size, LARGEST), colour };
}

/** The face's own name; that which the field calls it by where nothing says it. */
function nameOf(face: string, resources: PDFDict | null): string {
  const fonts = resources?.lookup(PDFName.of('Font'));
  const font = fonts instanceof PDFDict ? fonts.lookup(PDFName.of(face)) : null;
  const base = font instanceof PDFDict ? textIn(font.lookup(PDFName.of('BaseFont'))) : null;
  return base ?? SHORT[face] ?? face;
}

/** Names that forms call the standard faces by: common practice, no source. */
const SHORT: Readonly<Record<string, string>> = {
  HeBo: 'Helvetica-Bold',
  TiRo: 'Times-Roman',
  TiBo: 'Times-Bold',
  TiIt: 'Times-Italic',
  Cour: 'Courier',
  CoBo: 'Courier-Bold',
};

function lookOf(name: string): Pick<DefaultLetters, 'family' | 'bold' | 'italic'> {
  const family = /cour|mono|consol|typewriter/i.test(name)
    ? 'mono'
    : /times|serif|roman|garamond|georgia|minion|palatino|book/i.test(name) && !/sans/i.test(name)
      ? 'serif'
      : 'sans';
  return { family, bold: /bold|black|heavy/i.test(name), italic: /ital|obli/i.test(name) };
}
