import { array, number, object, string } from 'yup';
import { isWellPacked, type PackedPath } from '../geometry/index.ts';

/** A letter of a font that a file carries. */
export interface PrintedLetter {
  /** One character. */
  readonly char: string;
  /** To where the next one begins, in units of {@link LETTER_UNITS} to the size of type. */
  readonly advance: number;
  /** From its place on the baseline, y up, in the same units; empty for a space. */
  readonly outline: PackedPath;
}

/** Units of outlines to the size of type. */
export const LETTER_UNITS = 1000;

/** Outlines are no larger, units, and have so many points. */
const FARTHEST = 20_000;
const MOST_COORDS = 20_000;
const MOST_LETTERS = 400;

const within = number().strict().required().min(-FARTHEST).max(FARTHEST);

/** What stored letters must be. */
export const printedLettersShape = array(
  object({
    char: string().strict().required().min(1).max(2),
    advance: number().strict().required().min(0).max(FARTHEST),
    outline: object({
      verbs: string().strict().defined().max(MOST_COORDS),
      coords: array(within).strict().defined().max(MOST_COORDS),
    })
      .required()
      .test(
        'well-packed',
        'an outline has as many points as it takes',
        (path) => path.verbs === '' || isWellPacked(path as PackedPath),
      ),
  }).required(),
)
  .strict()
  .max(MOST_LETTERS);

/** The letters that a text takes, each once; null where one is not among them. */
export function lettersFor(
  text: string,
  letters: readonly PrintedLetter[],
): readonly PrintedLetter[] | null {
  const known = new Map(letters.map((one) => [one.char, one]));
  const taken = new Map<string, PrintedLetter>();
  for (const char of text) {
    const letter = known.get(char);
    if (!letter) return null;
    taken.set(char, letter);
  }
  return [...taken.values()];
}

/** Each character of a text with how far along the line it stands, in sizes of type, and how long the line is. */
export function placedLetters(
  text: string,
  letters: readonly PrintedLetter[],
): { readonly placed: readonly { letter: PrintedLetter; x: number }[]; readonly width: number } {
  const known = new Map(letters.map((one) => [one.char, one]));
  let x = 0;
  const placed = [...text].flatMap((char) => {
    const letter = known.get(char);
    if (!letter) return [];
    const at = x;
    x += letter.advance / LETTER_UNITS;
    return [{ letter, x: at }];
  });
  return { placed, width: x };
}

/** Letters are those of a line only where they make it as long as it is printed: no more or less than so, of its length, */
const OFF = 0.1;
/** or, where it has spaces, so that these are no narrower and no wider than this, in sizes of type. Of fonts without a space it is not known how wide that is. */
const [NARROWEST_SPACE, WIDEST_SPACE] = [0.17, 1.1];
const USUAL_SPACE = 0.28;

/**
 * The letters as a line is printed in them: with spaces as wide as there. Null where they are not those of the line, or cannot be.
 * @param size of its type, points
 * @param length of the line, points
 */
export function lettersOfLine(
  letters: readonly PrintedLetter[],
  line: string,
  size: number,
  length: number,
): readonly PrintedLetter[] | null {
  const others = letters.filter(({ char }) => char !== ' ');
  const words = line.replaceAll(' ', '');
  if (words === '' || !lettersFor(words, others)) return null;
  const spaces = line.length - words.length;
  const left = length / size - placedLetters(words, others).width;
  const space = spaces > 0 ? left / spaces : USUAL_SPACE;
  const isSo =
    spaces > 0
      ? space >= NARROWEST_SPACE && space <= WIDEST_SPACE
      : Math.abs(left) * size <= OFF * length;
  if (!isSo) return null;
  const blank = { char: ' ', advance: Math.round(LETTER_UNITS * space), outline: NOTHING };
  return [blank, ...others];
}

/** A space shows nothing. */
const NOTHING: PackedPath = { verbs: '', coords: [] };
