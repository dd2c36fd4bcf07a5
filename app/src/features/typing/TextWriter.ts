import { emptyText, marksAt } from '@marginalis/core/editing';
import { outlineFigure } from '@marginalis/core/figures';
import {
  displayMatrix,
  displaySize,
  distance,
  invertMatrix,
  transform,
  type Vec,
} from '@marginalis/core/geometry';
import { asText, type TextMark } from '@marginalis/core/kinds';
import type { Instrument, TextInstrument } from '@marginalis/core/marks';
import { facesOfBlock } from '@marginalis/core/type';
import { useSettings } from '@/session';
import {
  GUIDE_INK,
  type Hit,
  type InstrumentWriter,
  type Reader,
  type WritingTools,
} from '@/shell';
import { pageFonts } from '@/stage';
import { Typing } from './Typing';
import { typingHeld } from './typingHeld';

/** A contact that moves no farther is a tap, CSS pixels; a finger is no finer than this. */
const TAP_REACH = 8;
/** What is tapped within so much of a box is the box, CSS pixels. */
const NEAR = 4;
/** A box that is tapped is so wide where the page has room, points, and leaves so much to its edge. */
const WIDTH = 260;
const EDGE = 18;
/** None is narrower. */
const LEAST = 36;
/** The guide's line, CSS pixels. */
const LINE = 1.2;

interface Going {
  readonly hit: Hit;
  readonly instrument: TextInstrument;
  readonly from: Vec;
  to: Vec;
  moved: boolean;
}

/** Begins a text box where it is tapped, or as wide as it is dragged; goes on with one that is tapped. */
export class TextWriter implements InstrumentWriter {
  readonly bare = true;
  private going: Going | null = null;

  constructor(
    private readonly reader: Reader,
    private readonly tools: WritingTools,
  ) {}

  start(_event: PointerEvent, hit: Hit, instrument: Instrument): void {
    if (instrument.kind !== 'text-box') return;
    const { typing } = typingHeld.getState();
    typing?.finish();
    const there = this.textAt(hit);
    // A tap beside a text lays it down, and does nothing else.
    if (typing && !there) return;
    this.tools.lookLike({ opacity: 1, multiplied: false });
    this.going = { hit, instrument, from: hit.user, to: hit.user, moved: false };
  }

  move(event: PointerEvent): void {
    const { going } = this;
    if (!going) return;
    going.to = this.tools.userAt(going.hit.index, event);
    const { zoom } = this.reader.stage.getCamera();
    going.moved ||= distance(going.from, going.to) * zoom > TAP_REACH;
    this.fit();
  }

  end(event: PointerEvent): void {
    const { going } = this;
    if (!going) return;
    this.move(event);
    this.cancel();
    const there = going.moved ? null : this.textAt(going.hit);
    if (there) new Typing(this.reader.session, there, there);
    else this.begin(going);
  }

  cancel(): void {
    this.going = null;
    this.tools.tiles.clear('tip');
  }

  hover(): void {
    const instrument = this.reader.session.hand.instrument();
    if (instrument.kind !== 'text-box') return;
    // The faces are there when the first letter is typed.
    const block = { spans: [{ text: '', style: instrument }] };
    for (const name of facesOfBlock(block)) pageFonts.face(name);
  }

  yield(): void {
    typingHeld.getState().typing?.finish();
  }

  leave(): void {
    typingHeld.getState().typing?.finish();
  }

  fit(): void {
    const { going } = this;
    this.tools.tiles.clear('tip');
    if (!going?.moved) return;
    const { zoom } = this.reader.stage.getCamera();
    const page = this.reader.stage.pages[going.hit.index];
    const display = displayMatrix(page);
    const [a, b] = [going.from, going.to].map((p) => transform(display, p));
    const back = invertMatrix(display);
    const corners = [a, { x: b.x, y: a.y }, b, { x: a.x, y: b.y }].map((p) => transform(back, p));
    const path = outlineFigure({ kind: 'polygon', corners }, LINE / zoom, 'dashed');
    this.tools.tiles.fill('tip', path, this.tools.matrix(going.hit.index), GUIDE_INK);
  }

  private textAt({ pageId, user }: Hit): TextMark | null {
    const { session, stage } = this.reader;
    const { document } = session.store.getState();
    const there = marksAt(document, pageId, user, NEAR / stage.getCamera().zoom);
    return there.map(asText).find((mark) => mark && !mark.locked) ?? null;
  }

  /** Upright as the page is seen, its first line where it was tapped, or its head where the drag began. */
  private begin({ hit, instrument, from, to, moved }: Going): void {
    const { session, stage } = this.reader;
    const page = stage.pages[hit.index];
    const display = displayMatrix(page);
    const back = invertMatrix(display);
    const [a, b] = [from, to].map((p) => transform(display, p));
    const { padding, size, leading } = instrument;
    const head = moved
      ? { x: Math.min(a.x, b.x), y: Math.min(a.y, b.y) }
      : { x: a.x - padding, y: a.y - padding - (size * leading) / 2 };
    const room = displaySize(page).width - head.x - EDGE;
    const wide = moved ? Math.abs(b.x - a.x) : Math.min(WIDTH, room);
    const along = { x: back[0], y: back[1] };
    const mark = emptyText(session.store.getState().document, {
      id: crypto.randomUUID(),
      page: hit.pageId,
      instrument,
      at: transform(back, head),
      angle: Math.atan2(along.y, along.x),
      width: Math.max(LEAST, wide) - 2 * padding,
      madeAt: Date.now(),
      author: useSettings.getState().author,
    });
    new Typing(session, mark, null);
  }
}
