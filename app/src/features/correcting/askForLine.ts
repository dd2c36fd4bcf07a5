import type { Page } from '@marginalis/core/document';
import { correctionOf, looksLike, type PrintedLine } from '@marginalis/core/editing';
import {
  boxOfPoints,
  displayMatrix,
  distance,
  growBox,
  transformBox,
  type Vec,
} from '@marginalis/core/geometry';
import { aroundQuad, type Print } from '@marginalis/core/print';
import { passwordFor } from '@/session';
import type { Reader } from '@/shell';
import { readSource } from '@/storage';
import { startWork } from '@/work';
import { askedLine } from './asked';
import { CORRECT } from './ids';
import { GONE, whyNot } from './whyNot';

const GROUND = 'This line is printed on a picture, or on several colours: it cannot be corrected.';

/** Asks what a line of print is to say; tells why where it cannot be changed. */
export async function askForLine(
  { session, shell }: Pick<Reader, 'session' | 'shell'>,
  page: Page,
  print: Print,
  line: PrintedLine,
): Promise<void> {
  const { shows } = page;
  if ('paper' in shows) return;
  const trouble = await whyNot(page, line);
  if (trouble !== null) return session.notices.tell(trouble);
  const bytes = await readSource(shows.source);
  if (!bytes) return session.notices.tell(GONE);
  const password = passwordFor(shows.source);
  const locked = password === undefined ? {} : { password };
  const [head, headEnd, foot, footEnd] = line.quad;
  const along = Math.min(1, line.size / Math.max(1, distance(foot, footEnd)));
  const at: Vec = {
    x: foot.x + (footEnd.x - foot.x) * along * 0.25 + (head.x - foot.x) * 0.4,
    y: foot.y + (footEnd.y - foot.y) * along * 0.25 + (head.y - foot.y) * 0.4,
  };
  // As the file has it: how the person turned the page is another matter.
  const came = { ...page, rotate: ((page.rotate - page.turn + 360) % 360) as Page['rotate'] };
  const sheet = { ...came, box: page.sheet };
  const area = transformBox(displayMatrix(sheet), growBox(boxOfPoints(aroundQuad(line.quad)), 1));
  const seen = await startWork('lineLook', { bytes, page: shows.index, at, area, ...locked })
    .result;
  if (!seen.ok) return tell(session, seen.failure);
  const { printed, colours } = seen.value;
  if (!colours?.isPlain || !printed) return session.notices.tell(GROUND);
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
      baseline: baselineFrom(printed.origin, line),
      paper: colours.paper,
      room: Math.max(distance(head, headEnd), roomOf(print, line)),
      isGuess: isGuess && there === null,
      isThere: there !== null,
      shift: there?.shift ?? { x: 0, y: 0 },
    },
  });
  shell.openDialog(CORRECT);
}

const tell = (
  { notices }: Reader['session'],
  failure: { readonly kind: string; readonly message?: string },
): void => {
  if (failure.kind !== 'stopped') notices.tell(failure.message ?? '');
};

/** Where a line begins on the baseline that one of its letters stands on. */
function baselineFrom(origin: Vec, { quad, angle }: PrintedLine): Vec {
  const [, , foot] = quad;
  const along = { x: Math.cos(angle), y: Math.sin(angle) };
  const back = (origin.x - foot.x) * along.x + (origin.y - foot.y) * along.y;
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
