import type { FaceName, GlyphRun, PlacedGlyph } from '../../type/index.ts';
import type { ByteWriter } from './byteWriter.ts';
import { hex4, textString } from './hex.ts';
import { pdfNumber } from './operators.ts';

/** A face as a form names it, and what each of its glyphs stands for. */
export interface NamedFace {
  readonly name: string;
  readonly face: FaceName;
  readonly glyphs: Map<number, string>;
}

/**
 * The faces of a form. One glyph can stand for different letters, as where a letter and its dots are drawn apart; each
 * meaning has a font of its own then, for a font says of each glyph once what it stands for.
 */
export class FormFaces {
  readonly all: NamedFace[] = [];

  nameFor(face: FaceName, { id, text }: PlacedGlyph): string {
    const fits = (known: NamedFace): boolean =>
      known.face === face && [undefined, text].includes(known.glyphs.get(id));
    let named = this.all.find(fits);
    if (!named) this.all.push((named = { name: `T${this.all.length}`, face, glyphs: new Map() }));
    named.glyphs.set(id, text);
    return named.name;
  }
}

/** Letters with the marks and further glyphs that belong to them. */
function clustersOf(glyphs: readonly PlacedGlyph[]): PlacedGlyph[][] {
  const clusters: PlacedGlyph[][] = [];
  for (const glyph of glyphs) {
    const last = clusters[clusters.length - 1];
    if (last && /^\p{M}*$/u.test(glyph.text)) last.push(glyph);
    else clusters.push([glyph]);
  }
  return clusters;
}

const said = (glyphs: readonly PlacedGlyph[]): string => glyphs.map(({ text }) => text).join('');

/**
 * Writes a run's glyphs, by their numbers in the face, each in its own place. Where what it says does not follow from the
 * glyphs one by one – letters with marks, syllables whose parts change places, words whose letters stand in cells – it is given beside them; but not from
 * right to left, where readers would turn it round once more.
 */
export function textInto(writer: ByteWriter, run: GlyphRun, faces: FormFaces): void {
  const isOdd = !run.rightToLeft && (run.inCells === true || said(run.glyphs) !== run.text);
  const parts = isOdd || run.rightToLeft ? [[...run.glyphs]] : clustersOf(run.glyphs);
  let font = '';
  writer.text('BT\n');
  for (const part of parts) {
    const words = isOdd ? run.text : !run.rightToLeft && part.length > 1 ? said(part) : null;
    if (words !== null) writer.text(`/Span <</ActualText ${textString(words)}>> BDC\n`);
    for (const glyph of part) {
      const name = faces.nameFor(run.face, glyph);
      if (name !== font) writer.text(`/${name} ${pdfNumber(run.size)} Tf\n`);
      font = name;
      // A place for each: what the font's own widths would add need not be known here.
      writer.text(
        `1 0 0 1 ${pdfNumber(glyph.x)} ${pdfNumber(glyph.y)} Tm <${hex4(glyph.id)}> Tj\n`,
      );
    }
    if (words !== null) writer.text('EMC\n');
  }
  writer.text('ET\n');
}
