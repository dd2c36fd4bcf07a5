import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import fontkit from '@cantoo/fontkit';
import { PDFDocument, type PDFFont, type PDFPage, rgb } from '@cantoo/pdf-lib';

/** Where npm puts the fonts; the scripts run in the project's root. */
const PACKAGES = join(process.cwd(), 'node_modules');

/** ISO 216 A4, points. */
export const A4 = { width: 595.28, height: 841.89 };
export const INK = rgb(0.1, 0.12, 0.17);
export const GREY = rgb(0.42, 0.45, 0.5);
export const LINE = rgb(0.62, 0.65, 0.7);

export const FONT_FILES = {
  text: '@expo-google-fonts/literata/400Regular/Literata_400Regular.ttf',
  italic: '@expo-google-fonts/literata/400Regular_Italic/Literata_400Regular_Italic.ttf',
  bold: '@expo-google-fonts/literata/600SemiBold/Literata_600SemiBold.ttf',
  sans: '@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf',
} as const;

export interface Fonts {
  readonly text: PDFFont;
  readonly italic: PDFFont;
  readonly bold: PDFFont;
  readonly sans: PDFFont;
}

export const fontBytes = (file: string): Promise<Uint8Array> => readFile(join(PACKAGES, file));

/** A document with fixed dates, so that the same script gives the same bytes. */
export async function newDocument(title: string): Promise<{ doc: PDFDocument; fonts: Fonts }> {
  const doc = await PDFDocument.create({ updateMetadata: false });
  const made = new Date(Date.UTC(2026, 4, 4, 8));
  doc.setTitle(title);
  doc.setAuthor('Saltmarsh Field Station');
  doc.setCreationDate(made);
  doc.setModificationDate(made);
  doc.setLanguage('en');
  doc.registerFontkit(fontkit as never);
  const embed = async (file: string): Promise<PDFFont> =>
    doc.embedFont(await fontBytes(file), { subset: true });
  return {
    doc,
    fonts: {
      text: await embed(FONT_FILES.text),
      italic: await embed(FONT_FILES.italic),
      bold: await embed(FONT_FILES.bold),
      sans: await embed(FONT_FILES.sans),
    },
  };
}

/** Breaks text into lines no wider than `width` points. */
export function linesOf(text: string, font: PDFFont, size: number, width: number): string[] {
  const lines: string[] = [];
  let line = '';
  for (const word of text.split(/\s+/)) {
    const longer = line === '' ? word : `${line} ${word}`;
    if (line !== '' && font.widthOfTextAtSize(longer, size) > width) {
      lines.push(line);
      line = word;
    } else line = longer;
  }
  if (line !== '') lines.push(line);
  return lines;
}

/** Draws a paragraph from `y` downwards and gives the y below it. */
export function paragraph(
  page: PDFPage,
  text: string,
  at: { x: number; y: number; width: number; font: PDFFont; size: number; leading: number },
): number {
  let y = at.y;
  for (const line of linesOf(text, at.font, at.size, at.width)) {
    y -= at.leading;
    page.drawText(line, { x: at.x, y, size: at.size, font: at.font, color: INK });
  }
  return y;
}

export function footer(page: PDFPage, fonts: Fonts, left: string, right: string): void {
  const { width } = page.getSize();
  page.drawText(left, { x: 56, y: 34, size: 8, font: fonts.sans, color: GREY });
  const w = fonts.sans.widthOfTextAtSize(right, 8);
  page.drawText(right, { x: width - 56 - w, y: 34, size: 8, font: fonts.sans, color: GREY });
}
