import type { Instrument, InstrumentKind } from '@marginalis/core/marks';
import { eraserOfRoll } from '@/session';
import type { Writer } from '@/stage';
import type { Reader, ReaderFeature } from './feature';
import type { Hit, InstrumentWriter, WritingTools } from './writing';

/** A contact that moves no farther and is lifted so soon presses what lies there, CSS pixels and ms. */
const STILL = 5;
const PRESS = 400;

/** Gives every contact that writes to the instrument in hand, or to the eraser of the roll. */
export class WriterRouter implements Writer {
  private readonly writers: readonly InstrumentWriter[];
  private readonly byKind = new Map<InstrumentKind, InstrumentWriter>();
  /** What has the contact that is down. */
  private busy: InstrumentWriter | null = null;
  /** What a contact that came down beside the pages will do when it comes onto one. */
  private waiting: 'write' | 'erase' | null = null;
  /** What came down and may press something that lies on the page, whatever is in hand. */
  private down: { readonly event: PointerEvent; readonly hit: Pick<Hit, 'index' | 'user'> } | null =
    null;

  constructor(
    private readonly reader: Reader,
    private readonly tools: WritingTools,
    features: readonly ReaderFeature[],
  ) {
    this.writers = features
      .flatMap(({ instruments = [] }) => instruments)
      .map(({ kinds, writer }) => {
        const made = writer(reader, tools);
        for (const kind of kinds) this.byKind.set(kind, made);
        return made;
      });
  }

  start(event: PointerEvent, act: 'write' | 'erase'): void {
    const { session } = this.reader;
    this.hover(null);
    session.strokeInHand.finishNow();
    session.strokeInHand.askNoMore();
    session.offers.dismiss();
    session.words.choose([]);
    this.waiting = act;
    this.comeDown(event);
  }

  /** Begins with the page under the contact; beside the pages it waits until it is over one. */
  private comeDown(event: PointerEvent): void {
    const { session, stage } = this.reader;
    const { hand } = session;
    const act = this.waiting;
    const hit = stage.pageAt(stage.fromClient(event.clientX, event.clientY));
    const { writable, document } = session.store.getState();
    const page = hit && stage.elementOf(hit.index);
    if (!act || !hit || !page || !writable) return;
    this.waiting = null;
    if (hand.takeTouch(page, event)) return;
    const instrument = act === 'erase' ? eraserOfRoll() : hand.instrument();
    const writer = this.byKind.get(instrument.kind);
    if (!writer) return;
    for (const other of this.writers) if (other !== writer) other.yield?.();
    this.busy = writer;
    // A stylus writes, but for text, which is begun by a tap.
    const presses = event.pointerType !== 'pen' || instrument.kind === 'text-box';
    this.down = act === 'write' && presses ? { event, hit } : null;
    writer.start(event, { ...hit, pageId: document.pages[hit.index].id }, instrument);
  }

  move(event: PointerEvent): void {
    if (this.waiting) this.comeDown(event);
    else this.busy?.move(event);
  }

  end(event: PointerEvent): void {
    const { busy, down } = this;
    this.busy = this.waiting = this.down = null;
    if (down && isPress(down.event, event)) {
      const { index, user } = down.hit;
      if (this.reader.stage.touches.pressed({ index, user, event })) return busy?.cancel(false);
    }
    busy?.end(event);
  }

  cancel(keep: boolean): void {
    const { busy } = this;
    this.busy = this.waiting = this.down = null;
    busy?.cancel(keep);
  }

  hover(
    event: PointerEvent | null,
    instrument: Instrument = this.reader.session.hand.instrument(),
  ): void {
    const writer = this.byKind.get(instrument.kind);
    this.tools.showRing(writer?.bare ? null : event, instrument);
    if (event) writer?.hover?.(event);
  }

  /** The window's size or the camera changed. */
  fit(): void {
    this.tools.fit();
    for (const writer of this.writers) writer.fit?.();
  }

  /** The pen is taken away with the screen. */
  leave(): void {
    const { strokeInHand } = this.reader.session;
    for (const writer of this.writers) writer.leave?.();
    strokeInHand.finishNow();
    strokeInHand.askNoMore();
    this.tools.remove();
  }
}

const isPress = (down: PointerEvent, up: PointerEvent): boolean =>
  up.timeStamp - down.timeStamp < PRESS &&
  Math.hypot(up.clientX - down.clientX, up.clientY - down.clientY) < STILL;
