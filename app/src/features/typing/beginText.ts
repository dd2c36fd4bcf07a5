import { answerBox, emptyText } from '@marginalis/core/editing';
import {
  add,
  displayMatrix,
  displaySize,
  invertMatrix,
  transform,
  type Vec,
} from '@marginalis/core/geometry';
import type { TextMark } from '@marginalis/core/kinds';
import type { TextInstrument } from '@marginalis/core/marks';
import { type AnswerLine, linesAfter } from '@marginalis/core/print';
import { faceOfStyle } from '@marginalis/core/type';
import { useSettings } from '@/session';
import type { Reader } from '@/shell';
import { pageFonts } from '@/stage';

/** A box that is tapped is so wide where the page has room, points, and leaves so much to its edge. */
const WIDTH = 260;
const EDGE = 18;
/** None is narrower. */
const LEAST = 36;
/** Of a face that is still to come. */
const USUAL = { ascent: 0.95, descent: 0.25 };

const madeBy = () => ({
  id: crypto.randomUUID(),
  madeAt: Date.now(),
  author: useSettings.getState().author,
});

/** An empty box whose lines stand on this one and those that follow it. */
export function textOnLine(
  { session, stage }: Reader,
  index: number,
  instrument: TextInstrument,
  lines: readonly AnswerLine[],
  line: AnswerLine,
): TextMark {
  const { document } = session.store.getState();
  const heights = pageFonts.face(faceOfStyle(instrument)) ?? USUAL;
  const box = answerBox(linesAfter(lines, line), instrument, stage.pages[index], heights);
  return emptyText(document, { ...madeBy(), page: document.pages[index].id, ...box });
}

/** The head of a box whose first line is at a height of the page as it is seen. */
const headFor = (y: number, { padding, size, leading }: TextInstrument): number =>
  y - padding - (size * leading) / 2;

/** An empty box, upright as the page is seen; `head` and `wide` are of the whole box, points from the page's upper left corner as it is seen. */
function uprightBox(
  { session, stage }: Reader,
  index: number,
  instrument: TextInstrument,
  box: {
    readonly head: Vec;
    readonly wide: number;
    readonly high?: number;
    readonly pointsAt?: Vec;
  },
): TextMark {
  const { document } = session.store.getState();
  const back = invertMatrix(displayMatrix(stage.pages[index]));
  return emptyText(document, {
    ...madeBy(),
    page: document.pages[index].id,
    instrument,
    at: transform(back, box.head),
    angle: Math.atan2(back[1], back[0]),
    width: Math.max(LEAST, box.wide) - 2 * instrument.padding,
    ...(box.high ? { height: Math.max(instrument.size, box.high - 2 * instrument.padding) } : {}),
    ...(box.pointsAt ? { pointsAt: box.pointsAt } : {}),
  });
}

/** An empty box: its first line at the height of `from`, or as wide as it was dragged. Places are in user space. */
export function textAt(
  reader: Reader,
  index: number,
  instrument: TextInstrument,
  from: Vec,
  to: Vec | null,
): TextMark {
  const page = reader.stage.pages[index];
  const display = displayMatrix(page);
  const a = transform(display, from);
  if (to) {
    const b = transform(display, to);
    const head = { x: Math.min(a.x, b.x), y: Math.min(a.y, b.y) };
    const size = { wide: Math.abs(b.x - a.x), high: Math.abs(b.y - a.y) };
    return uprightBox(reader, index, instrument, { head, ...size });
  }
  const head = { x: a.x - instrument.padding, y: headFor(a.y, instrument) };
  const wide = Math.min(WIDTH, displaySize(page).width - head.x - EDGE);
  return uprightBox(reader, index, instrument, { head, wide });
}

/** A callout's box is so wide where the page has room, and stands so far from a place that is only tapped, points. */
const CALLOUT_WIDTH = 150;
const AWAY: Vec = { x: 40, y: -30 };

/** An empty callout that points at `to`; its box stands where the drag ended, with the side nearer to that place there. */
export function calloutAt(
  reader: Reader,
  index: number,
  instrument: TextInstrument,
  to: Vec,
  end: Vec | null,
): TextMark {
  const page = reader.stage.pages[index];
  const display = displayMatrix(page);
  const a = transform(display, to);
  const b = end ? transform(display, end) : add(a, AWAY);
  const { width } = displaySize(page);
  const isRight = b.x >= a.x;
  const wide = Math.max(LEAST, Math.min(CALLOUT_WIDTH, (isRight ? width - b.x : b.x) - EDGE));
  const x = Math.max(EDGE, Math.min(isRight ? b.x : b.x - wide, width - EDGE - wide));
  const head = { x, y: headFor(b.y, instrument) };
  return uprightBox(reader, index, instrument, { head, wide, pointsAt: to });
}
