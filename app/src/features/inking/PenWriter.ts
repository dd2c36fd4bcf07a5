import {
  drawFinished,
  drawInk,
  type FinishedStroke,
  marksTouched,
  type Rubbing,
  startRubbing,
  strokeWork,
} from '@marginalis/core/editing';
import { findMark } from '@marginalis/core/document';
import { distance, type Matrix, type Vec } from '@marginalis/core/geometry';
import {
  createLiveInk,
  createSpeedPressure,
  type InkSample,
  type LiveInk,
  type Nib,
  NO_PRESSURE,
} from '@marginalis/core/ink';
import { type Instrument, instrumentStyle } from '@marginalis/core/marks';
import { type DocumentSession, eraserOfRoll, instrumentInHand, usePenRoll } from '@/session';
import { colourUnder, printedDotOn, type StageController, type Writer } from '@/stage';
import { StrokeFinisher } from '@/work';
import { FigureDrawer } from './FigureDrawer';
import { LivePainter } from './LivePainter';
import { LiveTiles } from './LiveTiles';
import { PickDrawer } from './PickDrawer';

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

/** A touch so short and so still is a tap, ms and CSS pixels. */
const TAP_TIME = 350;
const TAP_REACH = 9;
/** The worker that finishes strokes is made ready so long after the page came, ms. */
const FINISHER_DELAY = 1500;

interface RubbingStroke {
  readonly page: number;
  readonly instrument: Instrument;
  readonly rubbing: Rubbing;
  last: Vec;
}

/** Turns contacts into ink and rubbing, and shows them in the frame of the event. */
export class PenWriter implements Writer {
  private stroke: Stroke | null = null;
  private rubbing: RubbingStroke | null = null;
  private readonly tiles: LiveTiles;
  private readonly painter: LivePainter;
  private readonly drawer: FigureDrawer;
  private readonly picker: PickDrawer;
  /** A figure is being drawn outright with the pointer that is down. */
  private drawing = false;
  private readonly finisher = new StrokeFinisher();
  private readonly starting: ReturnType<typeof setTimeout>;

  constructor(
    private readonly stage: StageController,
    private readonly session: DocumentSession,
    /** Holds the live ink; takes its opacity and blending, so that overlaps never darken. */
    private readonly live: HTMLElement,
    private readonly ring: HTMLElement,
  ) {
    this.tiles = new LiveTiles(live);
    this.painter = new LivePainter(this.tiles);
    this.drawer = new FigureDrawer(stage, session, this.tiles, (page) => this.matrix(page));
    this.picker = new PickDrawer(stage, session, this.tiles, (page) => this.matrix(page));
    // Not while the page is still being drawn.
    this.starting = setTimeout(() => this.finisher.start(), FINISHER_DELAY);
  }

  start(event: PointerEvent, act: 'write' | 'erase'): void {
    this.hover(null);
    this.session.strokeInHand.finishNow();
    this.session.strokeInHand.askNoMore();
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
    const isOutright = instrument.kind === 'figure-pen' && instrument.shape !== 'freehand';
    if (!isOutright) this.drawer.finish();
    if (instrument.kind === 'picker') {
      this.lookLike(1, false);
      this.picker.start(event, hit, instrument);
      return;
    }
    this.session.pick([]);
    if (instrument.kind === 'eraser') {
      const rubbing = startRubbing(document, pageId, style.width / 2, instrument);
      this.rubbing = { page: hit.index, instrument, rubbing, last: hit.user };
      this.rub(event);
      return;
    }
    if (isOutright) {
      this.lookLike(style.opacity, false);
      this.drawing = true;
      this.drawer.start(event, hit, instrument);
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
    this.session.strokeInHand.start();
    this.lookLike(style.opacity, instrument.kind === 'highlighter');
    this.write(event);
  }

  move(event: PointerEvent): void {
    if (this.picker.isGoing) this.picker.move(event);
    else if (this.drawing) this.drawer.move(event);
    else if (this.stroke) this.write(event);
    else if (this.rubbing) this.rub(event);
  }

  end(event: PointerEvent): void {
    if (this.picker.isGoing) this.picker.end(event);
    else this.finish(true);
  }

  cancel(keep: boolean): void {
    if (this.picker.isGoing) this.picker.cancel();
    else this.finish(keep);
  }

  hover(event: PointerEvent | null, instrument = instrumentInHand()): void {
    const { ring } = this;
    const isRing = event !== null && instrument.kind !== 'picker';
    ring.style.display = isRing ? 'block' : 'none';
    if (!event || !isRing) return;
    if (this.drawer.isTapping) this.drawer.move(event);
    const at = this.stage.fromClient(event.clientX, event.clientY);
    const size = Math.max(3, instrumentStyle(instrument).width * this.stage.getCamera().zoom);
    Object.assign(ring.style, {
      width: `${size}px`,
      height: `${size}px`,
      transform: `translate(${at.x - size / 2}px, ${at.y - size / 2}px)`,
    });
  }

  /** The window's size or the camera changed: what is under the pen is drawn anew. */
  fit(): void {
    const { width, height } = this.stage.getView();
    this.tiles.fit(width, height, pixelRatio());
    this.drawer.paint();
    this.picker.paint();
    if (!this.stroke) return;
    this.painter.clear();
    this.painter.paint(this.stroke, this.matrix(this.stroke.page));
  }

  /** The pen is taken away with the screen. */
  leave(): void {
    clearTimeout(this.starting);
    this.drawer.cancel();
    this.session.strokeInHand.finishNow();
    this.session.strokeInHand.askNoMore();
    this.finisher.stop();
    this.tiles.remove();
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
    const dpr = pixelRatio();
    const m = this.stage.userToView(page);
    return [m[0] * dpr, m[1] * dpr, m[2] * dpr, m[3] * dpr, m[4] * dpr, m[5] * dpr];
  }

  private rub(event: PointerEvent): void {
    const stroke = this.rubbing;
    if (!stroke) return;
    const { page, rubbing, instrument } = stroke;
    const coalesced = event.getCoalescedEvents?.() ?? [];
    const places = (coalesced.length > 0 ? coalesced : [event]).map((e) =>
      this.stage.toUser(page, this.stage.fromClient(e.clientX, e.clientY)),
    );
    const changes = rubbing.along([stroke.last, ...places]);
    if (changes.length > 0) {
      if (instrument.takes === 'whole') this.session.setDoomed(new Set(rubbing.becomes.keys()));
      else this.session.preview(changes);
    }
    stroke.last = places[places.length - 1];
    this.hover(event, instrument);
  }

  private finish(keep: boolean): void {
    if (this.drawing) {
      this.drawing = false;
      if (keep) this.drawer.end();
      else this.drawer.callOff();
      return;
    }
    const { stroke, rubbing, session } = this;
    this.stroke = this.rubbing = null;
    if (stroke && keep && stroke.samples.length > 0) return this.keepInk(stroke);
    if (stroke) session.strokeInHand.drop();
    if (rubbing) {
      if (keep) session.dispatch(rubbing.rubbing.done());
      session.preview(null);
      session.setDoomed(new Set());
    }
    this.painter.clear();
  }

  private lookLike(opacity: number, isHighlight: boolean): void {
    this.live.style.opacity = String(opacity);
    this.live.style.mixBlendMode = isHighlight ? 'multiply' : 'normal';
  }

  /** Takes in hand the figure that a figure pen tapped on; whether there was one. */
  private takeTapped({ instrument, samples, pageId }: Stroke): boolean {
    if (instrument.kind !== 'figure-pen') return false;
    const [first, last] = [samples[0], samples[samples.length - 1]];
    const { zoom } = this.stage.getCamera();
    if (last.t - first.t > TAP_TIME || distance(first, last) * zoom > TAP_REACH) return false;
    const { document } = this.session.store.getState();
    const touched = marksTouched(document, pageId, [last], TAP_REACH / zoom);
    const figure = [...touched].reverse().find((id) => findMark(document, id)?.kind === 'figure');
    if (figure) this.session.pick([figure]);
    return figure !== undefined;
  }

  /** The live ink stays until the finished mark is on the page, so nothing flickers. */
  private keepInk(stroke: Stroke): void {
    const { instrument, samples, pageId } = stroke;
    const { session } = this;
    if (this.takeTapped(stroke)) {
      session.strokeInHand.drop();
      return this.painter.clear();
    }
    const whole = {
      id: crypto.randomUUID(),
      page: pageId,
      instrument,
      samples,
      madeAt: Date.now(),
      author: usePenRoll.getState().author,
    };
    const draw = (finished: FinishedStroke | null): void => {
      const { document } = session.store.getState();
      session.dispatch(
        finished ? drawFinished(document, whole, finished) : drawInk(document, whole),
      );
      const { settle } = usePenRoll.getState();
      const consider = (): void =>
        session.considerTidy(
          whole.id,
          instrument.tidy,
          settle,
          finished?.found,
          printedDotOn(this.stage, stroke.page),
        );
      if (instrument.tidy === 'always') consider();
      else session.strokeInHand.askSoon(consider);
      this.painter.clear();
    };
    const work = strokeWork(session.store.getState().document, whole);
    session.strokeInHand.finishWhen(this.finisher.finish(work), draw);
  }
}

const pixelRatio = (): number => window.devicePixelRatio || 1;
