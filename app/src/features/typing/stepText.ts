import { lookOfText } from '@marginalis/core/editing';
import { marksOn } from '@marginalis/core/document';
import {
  boxOfPoints,
  displayMatrix,
  invertMatrix,
  transform,
  type Vec,
} from '@marginalis/core/geometry';
import { asText, cornersOfBox, type TextMark } from '@marginalis/core/kinds';
import type { TextInstrument } from '@marginalis/core/marks';
import { type AnswerLine, linesAfter } from '@marginalis/core/print';
import { typingInstrument } from '@/session';
import { answersOn, type Reader } from '@/shell';
import { textOnLine } from './beginText';
import { keepTextInSight } from './keepTextInSight';
import type { Typing } from './Typing';
import { beginTyping } from './typingHeld';

/** Where one types on a page: a text that is there, or a line for one; its head as the page is seen. */
interface TextPlace {
  readonly at: Vec;
  readonly text: TextMark | null;
  readonly line: AnswerLine | null;
}

/** Heads at heights no farther apart are on one line, points. */
const ONE_LINE = 4;
/** A line is in sight when it is no nearer to the edge of the window, CSS pixels. */
const IN_SIGHT = 20;
/** A text whose head is no farther from a line's stands on it, points. */
const ON = 12;

const inOrder = (a: Vec, b: Vec): number =>
  Math.abs(a.y - b.y) < ONE_LINE ? a.x - b.x : a.y - b.y;

/** The places of a page to type in, in the order they are read in. */
async function placesOn(
  reader: Reader,
  index: number,
): Promise<{ readonly places: readonly TextPlace[]; readonly lines: readonly AnswerLine[] }> {
  const lines = await answersOn(reader, index);
  const { session, stage } = reader;
  const { document } = session.store.getState();
  const page = stage.pages[index];
  const display = displayMatrix(page);
  const texts = [...marksOn(document, page.id).values()].flatMap((mark) => {
    const text = asText(mark);
    if (!text || text.locked) return [];
    const seen = boxOfPoints(cornersOfBox(text).map((corner) => transform(display, corner)));
    return [{ text, seen }];
  });
  const taken = new Set<AnswerLine>();
  const places: TextPlace[] = [];
  for (const line of lines) {
    if (taken.has(line)) continue;
    for (const next of linesAfter(lines, line)) taken.add(next);
    const isTaken = texts.some(
      ({ seen }) =>
        seen.minY < line.y + 1 &&
        seen.maxY > line.y - ON &&
        seen.minX < line.to &&
        seen.maxX > line.from,
    );
    if (!isTaken) places.push({ at: { x: line.from, y: line.y - ON }, text: null, line });
  }
  for (const { text, seen } of texts)
    places.push({ at: { x: seen.minX, y: seen.minY }, text, line: null });
  return { places: places.sort((a, b) => inOrder(a.at, b.at)), lines };
}

const begin = (
  reader: Reader,
  index: number,
  place: TextPlace,
  lines: readonly AnswerLine[],
  instrument: TextInstrument,
): void => {
  const { session } = reader;
  const mark =
    place.text ?? (place.line && textOnLine(reader, index, instrument, lines, place.line));
  if (!mark) return;
  beginTyping(session, mark, place.text);
  keepTextInSight(reader, index, mark);
};

/** Goes on from a text that is typed to the next place of the document to type in, or the one before. */
export async function stepText(reader: Reader, typing: Typing, by: 1 | -1): Promise<void> {
  const { mark } = typing;
  const { stage } = reader;
  typing.finish();
  const first = stage.indexOf(mark.page);
  const { family, bold, italic, underline, colour } = lookOfText(mark);
  // How large letters are follows from each line anew.
  const look = { ...typingInstrument(reader.session), family, bold, italic, underline, colour };
  const [head] = cornersOfBox(mark);
  for (let index = first; index >= 0 && index < stage.pages.length; index += by) {
    const { places, lines } = await placesOn(reader, index);
    const here = transform(displayMatrix(stage.pages[index]), head);
    const isBeyond = ({ at, text }: TextPlace): boolean =>
      text?.id !== mark.id && by * inOrder(at, here) > 0 && !isSame(at, here);
    const all = index === first ? places.filter(isBeyond) : places;
    const next = by === 1 ? all[0] : all[all.length - 1];
    if (next) return begin(reader, index, next, lines, look);
  }
  reader.session.notices.tell(
    by === 1
      ? 'There is no further line to type on.'
      : 'There is no line to type on before this one.',
  );
}

/** The head of an empty line, and of the box that stood on it. */
const isSame = (a: Vec, b: Vec): boolean => Math.abs(a.y - b.y) < ON && Math.abs(a.x - b.x) < ON;

/** Begins to type on the first free line in sight. */
export async function typeInSight(reader: Reader): Promise<void> {
  const { stage } = reader;
  const { first, last } = stage.getSight();
  for (let index = first; index <= last; index++) {
    const { places, lines } = await placesOn(reader, index);
    const back = invertMatrix(displayMatrix(stage.pages[index]));
    const place = places.find(
      ({ at, line }) => line && stage.isInSight(index, transform(back, at), IN_SIGHT),
    );
    if (place) return begin(reader, index, place, lines, typingInstrument(reader.session));
  }
  reader.session.notices.tell(
    'No line to type on is in sight: tap where the text is to stand, with a text instrument in hand.',
  );
}
