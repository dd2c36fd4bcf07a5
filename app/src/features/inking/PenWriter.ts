import { drawInk, marksTouched, removeMarks } from '@marginalis/core/editing';
import type { Matrix, Vec } from '@marginalis/core/geometry';
import {
  createLiveInk,
  createSpeedPressure,
  type InkSample,
  type LiveInk,
  type Nib,
  NO_PRESSURE,
} from '@marginalis/core/ink';
import { type Instrument, instrumentStyle, type MarkId } from '@marginalis/core/marks';
import { type DocumentSession, eraserOfRoll, instrumentInHand, usePenRoll } from '@/session';
import { colourUnder, type StageController, type Writer } from '@/stage';
import { type LiveCanvases, LivePainter } from './LivePainter';

interface Stroke {
  readonly page: number;
  readonly pageId: string;
  readonly instrument: Instrument;
  readonly nib: Nib;
  readonly colour: string;
  readonly straight: boolean;
  readonly live: LiveInk;
  readonly samples: InkSample[];
  readonly speedPressure: (place: Vec, t: number) => number;
  predicted: InkSample[];
}

interface Rubbing {
  readonly page: number;
  readonly pageId: string;
  readonly radius: number;
  last: Vec;
  readonly touched: Set<MarkId>;
}

/** Turns contacts into ink and rubbing, and shows them in the frame of the event. */
export class PenWriter implements Writer {
  private stroke: Stroke | null = null;
  private rubbing: Rubbing | null = null;
  private readonly painter: LivePainter;

  constructor(
    private readonly stage: StageController,
    private readonly session: DocumentSession,
    private readonly canvases: LiveCanvases,
    private readonly ring: HTMLElement,
  ) {
    this.painter = new LivePainter(canvases);
  }

  start(event: PointerEvent, act: 'write' | 'erase'): void {
    this.hover(null);
    this.session.dismissOffer();
    const hit = this.stage.pageAt(this.stage.fromClient(event.clientX, event.clientY));
    const { writable, document } = this.session.store.getState();
    if (!hit || !writable) return;
    const { pickingFor, pickFor, mixInk } = usePenRoll.getState();
    const page = this.stage.elementOf(hit.index);
    if (pickingFor && page) {
      mixInk(pickingFor, colourUnder(page, event.clientX, event.clientY));
      pickFor(null);
      return;
    }
    const pageId = document.pages[hit.index].id;
    const instrument = act === 'erase' ? eraserOfRoll() : instrumentInHand();
    const style = instrumentStyle(instrument);
    if (instrument.kind === 'eraser') {
      const radius = style.width / 2;
      this.rubbing = { page: hit.index, pageId, radius, last: hit.user, touched: new Set() };
      this.rub(event);
      return;
    }
    this.stroke = {
      page: hit.index,
      pageId,
      instrument,
      nib: { ...instrument.nib, width: style.width },
      colour: style.colour,
      straight: instrument.straight,
      live: createLiveInk(instrument.steadiness),
      samples: [],
      speedPressure: createSpeedPressure(),
      predicted: [],
    };
    this.canvases.group.style.opacity = String(style.opacity);
    this.canvases.group.style.mixBlendMode =
      instrument.kind === 'highlighter' ? 'multiply' : 'normal';
    this.write(event);
  }

  move(event: PointerEvent): void {
    if (this.stroke) this.write(event);
    else if (this.rubbing) this.rub(event);
  }

  end(): void {
    this.finish(true);
  }

  cancel(keep: boolean): void {
    this.finish(keep);
  }

  hover(event: PointerEvent | null): void {
    const { ring } = this;
    const instrument = instrumentInHand();
    ring.style.display = event ? 'block' : 'none';
    if (!event) return;
    const at = this.stage.fromClient(event.clientX, event.clientY);
    const size = Math.max(3, instrumentStyle(instrument).width * this.stage.getCamera().zoom);
    Object.assign(ring.style, {
      width: `${size}px`,
      height: `${size}px`,
      transform: `translate(${at.x - size / 2}px, ${at.y - size / 2}px)`,
    });
  }

  /** The camera moved under the pen: everything is drawn anew. */
  redraw(): void {
    if (!this.stroke) return;
    this.painter.restart();
    this.painter.paint(this.stroke, this.matrix(this.stroke.page));
  }

  private sampleOf({ page, speedPressure }: Stroke, e: PointerEvent, predicted = false): InkSample {
    const at = this.stage.toUser(page, this.stage.fromClient(e.clientX, e.clientY));
    const t = e.timeStamp;
    if (e.pointerType === 'pen')
      return { ...at, t, pressure: e.pressure, tiltX: e.tiltX, tiltY: e.tiltY };
    // A mouse presses evenly, a finger as the glass guesses: their speed says more.
    return { ...at, t, pressure: predicted ? NO_PRESSURE : speedPressure(at, t) };
  }

  private write(event: PointerEvent): void {
    const { stroke } = this;
    if (!stroke) return;
    const coalesced = event.getCoalescedEvents?.() ?? [];
    for (const e of coalesced.length > 0 ? coalesced : [event]) {
      const sample = this.sampleOf(stroke, e);
      stroke.samples.push(sample);
      stroke.live.push(sample);
    }
    const { pressure } = stroke.samples[stroke.samples.length - 1];
    stroke.predicted = (event.getPredictedEvents?.() ?? []).map((e) => ({
      ...this.sampleOf(stroke, e, true),
      pressure,
    }));
    this.painter.paint(stroke, this.matrix(stroke.page));
  }

  private matrix(page: number): Matrix {
    const dpr = window.devicePixelRatio || 1;
    const m = this.stage.userToView(page);
    return [m[0] * dpr, m[1] * dpr, m[2] * dpr, m[3] * dpr, m[4] * dpr, m[5] * dpr];
  }

  private rub(event: PointerEvent): void {
    const { rubbing } = this;
    if (!rubbing) return;
    const { document } = this.session.store.getState();
    const coalesced = event.getCoalescedEvents?.() ?? [];
    const before = rubbing.touched.size;
    for (const e of coalesced.length > 0 ? coalesced : [event]) {
      const at = this.stage.toUser(rubbing.page, this.stage.fromClient(e.clientX, e.clientY));
      for (const id of marksTouched(document, rubbing.pageId, [rubbing.last, at], rubbing.radius))
        rubbing.touched.add(id);
      rubbing.last = at;
    }
    if (rubbing.touched.size !== before) this.session.setDoomed(new Set(rubbing.touched));
    this.hover(event);
  }

  private finish(keep: boolean): void {
    const { stroke, rubbing, session } = this;
    this.stroke = this.rubbing = null;
    const { document } = session.store.getState();
    if (stroke && keep && stroke.samples.length > 0) {
      const id = crypto.randomUUID();
      const { instrument, samples, pageId } = stroke;
      session.dispatch(
        drawInk(document, { id, page: pageId, instrument, samples, madeAt: Date.now() }),
      );
      session.considerTidy(id, instrument.tidy);
    }
    if (rubbing) {
      if (keep) session.dispatch(removeMarks(document, rubbing.touched));
      session.setDoomed(new Set());
    }
    // The finished mark is on the page by now, so nothing flickers.
    this.painter.clear();
  }
}
