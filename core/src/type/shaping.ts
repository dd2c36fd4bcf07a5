import { mirrored } from './bidi.ts';
import type { Face, ShapedGlyph } from './face.ts';

/** A piece of text in the glyphs of its face; lengths are shares of the size. */
export interface Shaped {
  readonly glyphs: readonly ShapedGlyph[];
  readonly width: number;
}

/** Words of a face that are kept; the words of a long text are far fewer. */
const MOST_KEPT = 20_000;

/** The words that a face has set, read from the left and from the right. */
interface Words {
  readonly left: Map<string, Shaped>;
  readonly right: Map<string, Shaped>;
}

const kept = new WeakMap<Face, Words>();

/** Shapes a word or a space; what was shaped lately is known. */
export function shape(face: Face, text: string, rightToLeft: boolean): Shaped {
  let words = kept.get(face);
  if (!words) kept.set(face, (words = { left: new Map(), right: new Map() }));
  const known = rightToLeft ? words.right : words.left;
  let shaped = known.get(text);
  if (shaped) return shaped;
  const raw = text.replace(/[\t\n\r]/g, ' ');
  const glyphs = face.shape(rightToLeft ? mirrored(raw) : raw, rightToLeft);
  shaped = { glyphs, width: glyphs.reduce((sum, { advance }) => sum + advance, 0) };
  if (known.size >= MOST_KEPT) known.clear();
  known.set(text, shaped);
  return shaped;
}
