import { findMark } from '@marginalis/core/document';
import { marksAt, marksWithin, pickedBy, withGroups } from '@marginalis/core/editing';
import { outlineFigure } from '@marginalis/core/figures';
import { areaAsSeen, distance, type Vec } from '@marginalis/core/geometry';
import type { Instrument, MarkId, Picker } from '@marginalis/core/marks';
import {
  askAt,
  GUIDE_INK,
  type Hit,
  type InstrumentWriter,
  type Reader,
  samplesOf,
  type WritingTools,
} from '@/shell';

/** A finger is no finer than this, CSS pixels; a pen or mouse is. */
const REACH = { touch: 20, other: 8 } as const;
/** A contact that moves no farther is a tap, and two taps within so long are a double one, ms. */
const TAP_REACH = 6;
const DOUBLE = 400;
/** The lasso's line, CSS pixels. */
const LINE = 1.6;

interface Going {
  readonly page: number;
  readonly pageId: string;
  readonly instrument: Picker;
  readonly from: Vec;
  readonly points: Vec[];
  /** What is picked is added to what was. */
  readonly adds: boolean;
  readonly reach: number;
}

/** Picks marks: those that are tapped, and those that a line is drawn around. */
export class PickWriter implements InstrumentWriter {
  readonly bare = true;
  private going: Going | null = null;
  private lastTap: { readonly time: number; readonly at: Vec } | null = null;

  constructor(
    private readonly reader: Reader,
    private readonly tools: WritingTools,
  ) {}

  start(event: PointerEvent, hit: Hit, instrument: Instrument): void {
    if (instrument.kind !== 'picker') return;
    this.tools.lookLike({ opacity: 1, multiplied: false });
    this.going = {
      page: hit.index,
      pageId: hit.pageId,
      instrument,
      from: this.reader.stage.fromClient(event.clientX, event.clientY),
      points: [hit.user],
      adds: event.shiftKey,
      reach: REACH[event.pointerType === 'touch' ? 'touch' : 'other'],
    };
  }

  move(event: PointerEvent): void {
    const { going } = this;
    if (!going) return;
    for (const e of samplesOf(event)) going.points.push(this.tools.userAt(going.page, e));
    this.fit();
  }

  end(event: PointerEvent): void {
    const { going } = this;
    const { session } = this.reader;
    this.cancel();
    if (!going) return;
    const at = this.reader.stage.fromClient(event.clientX, event.clientY);
    if (distance(going.from, at) <= TAP_REACH && this.spanOf(going) <= 2 * TAP_REACH)
      return this.tap(going, at, event.timeStamp);
    const { document, picked } = session.store.getState();
    const within = marksWithin(document, going.pageId, lineOf(going));
    const ids = withGroups(
      document,
      within.map(({ id }) => id),
    );
    session.inHand.pick(going.adds ? [...picked, ...ids] : ids);
    if (ids.length === 0 && !going.adds) this.askOf(going);
  }

  /** Nothing is picked where a line is drawn around an empty area: something may be meant to stand there, or be said of it. */
  private askOf(going: Going): void {
    const { session, stage } = this.reader;
    const area = areaAsSeen(stage.pages[going.page], lineOf(going));
    if (session.store.getState().writable)
      askAt(session, { index: going.page, page: going.pageId, at: area[0], area });
  }

  cancel(): void {
    this.going = null;
    this.tools.tiles.clear('tip');
  }

  fit(): void {
    const { going } = this;
    this.tools.tiles.clear('tip');
    if (!going || going.points.length < 2) return;
    const line = lineOf(going);
    const figure = { kind: 'polyline', corners: [...line, line[0]] } as const;
    const width = LINE / this.reader.stage.getCamera().zoom;
    const path = outlineFigure(figure, width, 'dashed');
    this.tools.tiles.fill('tip', path, this.tools.matrix(going.page), GUIDE_INK);
  }

  /** The topmost mark there, its word or group; tapped again the one beneath; tapped twice the single stroke. */
  private tap(going: Going, at: Vec, time: number): void {
    const { session } = this.reader;
    const { document, picked } = session.store.getState();
    const { zoom } = this.reader.stage.getCamera();
    const place = going.points[0];
    const isDouble =
      this.lastTap !== null &&
      time - this.lastTap.time < DOUBLE &&
      distance(this.lastTap.at, at) < 2 * TAP_REACH;
    this.lastTap = isDouble ? null : { time, at };
    const there = marksAt(document, going.pageId, place, going.reach / zoom).filter(
      (m) => !m.locked,
    );
    if (there.length === 0) {
      if (!going.adds) session.inHand.pick([]);
      return;
    }
    if (isDouble) return session.inHand.pick([there[0].id]);
    if (going.adds)
      return session.inHand.pick(toggled(picked, pickedBy(document, there[0], false)));
    const held = there.findIndex(({ id }) => picked.has(id));
    const next = there[(held + 1) % there.length];
    // The word that holds the stroke is in hand already: what is meant is what lies beneath it.
    const ids = pickedBy(document, next, false);
    session.inHand.pick(
      ids.every((id) => picked.has(id)) && findMark(document, next.id) ? [next.id] : ids,
    );
  }

  private spanOf({ points }: Going): number {
    const { zoom } = this.reader.stage.getCamera();
    return Math.max(...points.map((p) => distance(points[0], p))) * zoom;
  }
}

/** The line around what is meant: as drawn, or the rectangle between the first place and the last. */
function lineOf({ points, instrument }: Going): Vec[] {
  if (instrument.encloses === 'lasso') return points;
  const [a, c] = [points[0], points[points.length - 1]];
  return [a, { x: c.x, y: a.y }, c, { x: a.x, y: c.y }];
}

function toggled(picked: ReadonlySet<MarkId>, ids: readonly MarkId[]): MarkId[] {
  const isHeld = ids.every((id) => picked.has(id));
  return isHeld ? [...picked].filter((id) => !ids.includes(id)) : [...picked, ...ids];
}
