import { drawInk, marksTouched, removeMarks } from '@marginalis/core/editing';
import { drawPathInto, type Matrix, type Vec } from '@marginalis/core/geometry';
import {
  centrelineOf,
  createLiveInk,
  type InkSample,
  type LiveInk,
  type Nib,
  outlineInk,
} from '@marginalis/core/ink';
import { type Instrument, instrumentStyle, type MarkId } from '@marginalis/core/marks';
import { type DocumentSession, eraserOfRoll, instrumentInHand } from '@/session';
import type { StageController, Writer } from '@/stage';

/** Where live ink is drawn: settled pieces stay, the end towards the pen is drawn anew each time. */
export interface LiveCanvases {
  /** Holds both; takes the ink's opacity and blending, so that overlaps never darken. */
  readonly group: HTMLElement;
  readonly settled: HTMLCanvasElement;
  readonly tip: HTMLCanvasElement;
  readonly ring: HTMLElement;
}

interface Stroke {
  readonly page: number;
  readonly pageId: string;
  readonly instrument: Instrument;
  readonly nib: Nib;
  readonly live: LiveInk;
  readonly samples: InkSample[];
  /** Settled points already drawn. */
  drawn: number;
  predicted: InkSample[];
}

interface Rubbing {
  readonly page: number;
  readonly pageId: string;
  readonly radius: number;
  last: Vec;
  readonly touched: Set<MarkId>;
}

/** Pressure of hardware that cannot tell (W3C Pointer Events). */
const NO_PRESSURE = 0.5;
/** Settled points drawn again with the next piece, so that pieces join as one curve. */
const OVERLAP = 3;

/** Turns contacts into ink and rubbing, and shows them in the frame of the event. */
export class PenWriter implements Writer {
  private stroke: Stroke | null = null;
  private rubbing: Rubbing | null = null;
  private dirtyTip = false;

  constructor(
    private readonly stage: StageController,
    private readonly session: DocumentSession,
    private readonly canvases: LiveCanvases,
  ) {}

  start(event: PointerEvent, act: 'write' | 'erase'): void {
    this.hover(null);
    this.session.dismissOffer();
    const hit = this.stage.pageAt(this.stage.fromClient(event.clientX, event.clientY));
    const { writable, document } = this.session.store.getState();
    if (!hit || !writable) return;
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
      nib: { width: style.width, thinning: instrument.thinning },
      live: createLiveInk(instrument.steadiness),
      samples: [],
      drawn: 0,
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
    const { ring } = this.canvases;
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
    const { stroke } = this;
    if (!stroke) return;
    this.clear(this.canvases.settled);
    stroke.drawn = 0;
    this.paint(stroke);
  }

  private sampleOf(page: number, e: PointerEvent): InkSample {
    const at = this.stage.toUser(page, this.stage.fromClient(e.clientX, e.clientY));
    const pressure = e.pointerType === 'pen' ? e.pressure : NO_PRESSURE;
    const sample = { x: at.x, y: at.y, t: e.timeStamp, pressure };
    return e.pointerType === 'pen' ? { ...sample, tiltX: e.tiltX, tiltY: e.tiltY } : sample;
  }

  private write(event: PointerEvent): void {
    const { stroke } = this;
    if (!stroke) return;
    const coalesced = event.getCoalescedEvents?.() ?? [];
    for (const e of coalesced.length > 0 ? coalesced : [event]) {
      const sample = this.sampleOf(stroke.page, e);
      stroke.samples.push(sample);
      stroke.live.push(sample);
    }
    // Only shown, never stored: where the pen will be when the frame reaches the eye.
    stroke.predicted = (event.getPredictedEvents?.() ?? []).map((e) => ({
      ...this.sampleOf(stroke.page, e),
      pressure: stroke.samples[stroke.samples.length - 1].pressure,
    }));
    this.paint(stroke);
  }

  private matrix(page: number): Matrix {
    const dpr = window.devicePixelRatio || 1;
    const m = this.stage.userToView(page);
    return [m[0] * dpr, m[1] * dpr, m[2] * dpr, m[3] * dpr, m[4] * dpr, m[5] * dpr];
  }

  private paint(stroke: Stroke): void {
    const matrix = this.matrix(stroke.page);
    const count = stroke.live.settledCount();
    if (count > stroke.drawn) {
      this.fill(
        this.canvases.settled,
        stroke,
        stroke.live.settledFrom(Math.max(0, stroke.drawn - OVERLAP)),
        matrix,
      );
      stroke.drawn = count;
    }
    this.clear(this.canvases.tip);
    const tail = [
      ...stroke.live.settledFrom(Math.max(0, count - OVERLAP)),
      ...stroke.live.tail().slice(count > 0 ? 1 : 0),
    ];
    this.fill(this.canvases.tip, stroke, [...tail, ...stroke.predicted], matrix);
    this.dirtyTip = true;
  }

  private fill(
    canvas: HTMLCanvasElement,
    stroke: Stroke,
    points: readonly InkSample[],
    matrix: Matrix,
  ): void {
    const ctx = canvas.getContext('2d');
    if (!ctx) return;
    ctx.setTransform(...matrix);
    ctx.fillStyle = stroke.instrument.colour;
    ctx.beginPath();
    drawPathInto(ctx, outlineInk(centrelineOf(points), stroke.nib));
    ctx.fill();
  }

  private clear(canvas: HTMLCanvasElement): void {
    const ctx = canvas.getContext('2d');
    ctx?.setTransform(1, 0, 0, 1, 0, 0);
    ctx?.clearRect(0, 0, canvas.width, canvas.height);
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
    if (this.dirtyTip) {
      this.clear(this.canvases.settled);
      this.clear(this.canvases.tip);
      this.dirtyTip = false;
    }
  }
}
