import type { Page } from '@marginalis/core/document';
import { correctionOf, looksLike, type PrintedLine } from '@marginalis/core/editing';
import { distance, type Vec } from '@marginalis/core/geometry';
import type { CorrectionMark } from '@marginalis/core/kinds';
import { lettersOfLine, type Print, type PrintedLetter } from '@marginalis/core/print';
import type { Reader } from '@/shell';
import { type AskedLine, askedLine } from './asked';
import { CORRECT } from './ids';
import { printLook } from './printLook';
import { whyNot } from './whyNot';

/** A letter that is placed so near where a line begins is its first, in sizes of type. */
const FIRST = 0.3;

const GROUND = 'This line is printed on a picture, or on several colours: it cannot be corrected.';

/** Asks what a line of print is to say; tells why where it cannot be changed. */
export async function askForLine(
  { session, shell }: Pick<Reader, 'session' | 'shell'>,
  page: Page,
  print: Print,
  line: PrintedLine,
): Promise<void> {
  const trouble = await whyNot(page, line);
  if (trouble !== null) return session.notices.tell(trouble);
  const seen = await printLook(page, line.quad, line.size, true);
  if (typeof seen === 'string') return session.notices.tell(seen);
  const { printed, colours } = seen;
  if (!colours?.isPlain || !printed) return session.notices.tell(GROUND);
  const [head, headEnd] = line.quad;
  const { document } = session.store.getState();
  const there = correctionOf(document, page.id, line);
  const { isGuess, ...guessed } = looksLike(printed.font, printed.flags, printed.weight);
  const look = {
    ...guessed,
    ...{ size: line.size, underline: false, colour: colours.ink },
  };
  askedLine.setState({
    asked: {
      ...{ page: page.id, line, says: there?.says ?? line.was, look: there?.look ?? look },
      ...lettersOf(printed.letters, line, there),
      baseline: baselineFrom(printed.origin, line),
      ...{ ink: colours.ink, paper: colours.paper },
      room: Math.max(distance(head, headEnd), roomOf(print, line)),
      isGuess: isGuess && there === null,
      isThere: there !== null,
      shift: there?.shift ?? { x: 0, y: 0 },
    },
  });
  shell.openDialog(CORRECT);
}

/** The print's own letters, and whether the line is to be set in them; those of a correction that is there are among them. */
function lettersOf(
  printed: readonly PrintedLetter[],
  { was, size, quad }: PrintedLine,
  there: CorrectionMark | null,
): Pick<AskedLine, 'letters' | 'isOwn'> {
  const [, , foot, footEnd] = quad;
  const letters = lettersOfLine(printed, was, size, distance(foot, footEnd));
  return { letters, isOwn: letters !== null && (there === null || there.own !== undefined) };
}

/** Where a line begins on the baseline that one of its letters stands on: where its first letter is placed, which may reach beyond that. */
function baselineFrom(origin: Vec, { quad, angle, size }: PrintedLine): Vec {
  const [, , foot] = quad;
  const along = { x: Math.cos(angle), y: Math.sin(angle) };
  const back = (origin.x - foot.x) * along.x + (origin.y - foot.y) * along.y;
  if (Math.abs(back) < FIRST * size) return origin;
  return { x: origin.x - back * along.x, y: origin.y - back * along.y };
}

/** From where a line begins to where its column ends, points. */
function roomOf({ lines }: Print, { quad, angle }: PrintedLine): number {
  const [, , foot] = quad;
  const along = { x: Math.cos(angle), y: Math.sin(angle) };
  const own = lines.find(
    ({ box }) =>
      foot.x >= box.minX - 1 && foot.x <= box.maxX && foot.y >= box.minY - 2 && foot.y <= box.maxY,
  );
  const ends = lines
    .filter(({ column, running }) => column === own?.column && running === own.running)
    .map(
      ({ box }) =>
        (box.maxX - foot.x) * along.x + (box.maxY - foot.y) * along.y * Math.abs(along.y),
    );
  return Math.max(0, ...ends);
}
