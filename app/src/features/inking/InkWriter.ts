import {
  drawFinished,
  drawInk,
  type FinishedStroke,
  marksTouched,
  type Stroke as WrittenStroke,
  strokeWork,
} from '@marginalis/core/editing';
import { findMark } from '@marginalis/core/document';
import { distance, type Vec } from '@marginalis/core/geometry';
import {
  createLiveInk,
  createSpeedPressure,
  type InkSample,
  type LiveHand,
  type LiveInk,
  type Nib,
  NO_PRESSURE,
} from '@marginalis/core/ink';
import { asFigure } from '@marginalis/core/kinds';
import {
  type Instrument,
  instrumentStyle,
  writes,
  type WritingInstrument,
} from '@marginalis/core/marks';
import { useSettings } from '@/session';
import {
  type Hit,
  inkSampleOf,
  type InstrumentWriter,
  type Reader,
  samplesOf,
  type WritingTools,
} from '@/shell';
import { StrokeFinisher } from '@/work';
import { laidWith, type LaidInk, laysDown, layAlong } from './alongPrint';
import { leadOf } from './leadOf';
import { LivePainter } from './LivePainter';
import { printedOn, readPrinted } from './printedOn';

interface Stroke {
  readonly page: number;
  readonly pageId: string;
  readonly by: string;
  readonly instrument: WritingInstrument;
  readonly nib: Nib;
  readonly colour: string;
  readonly straight: boolean;
  /** Whether it lies down on the print that it runs along. */
  readonly lays: boolean;
  /** How it does; null where it runs along none. */
  along: LaidInk | null;
  readonly live: LiveInk;
  readonly samples: InkSample[];
  readonly speedPressure: (place: Vec, t: number) => number;
  predicted: readonly InkSample[];
  /** When the pen moved last, ms. */
  movedAt: number;
}

/** A touch so short and so still is a tap, ms and CSS pixels. */
const TAP_TIME = 350;
const TAP_REACH = 9;
/** A pen that has not moved for so long rests, ms. */
const RESTS_AFTER = 32;
/** The worker that finishes strokes is made ready so long after the page came, ms. */
const FINISHER_DELAY = 1500;

/** Turns a contact into ink, shown in the frame of the event. */
export class InkWriter implements InstrumentWriter {
  private stroke: Stroke | null = null;
  /** Whose hand wrote last, by what it wrote with. */
  private readonly hands = new Map<string, LiveHand>();
  private resting: ReturnType<typeof setTimeout> | null = null;
  private readonly painter: LivePainter;
  private readonly finisher = new StrokeFinisher();
  private readonly starting: ReturnType<typeof setTimeout>;

  constructor(
    private readonly reader: Reader,
    private readonly tools: WritingTools,
  ) {
    this.painter = new LivePainter(tools.tiles);
    // Not while the page is still being drawn.
    this.starting = setTimeout(() => this.finisher.start(), FINISHER_DELAY);
  }

  start(event: PointerEvent, { index, pageId }: Hit, instrument: Instrument): void {
    if (!writes(instrument)) return;
    const { colour, opacity, width } = instrumentStyle(instrument);
    this.reader.session.inHand.pick([]);
    if (instrument.tidy !== 'never') readPrinted(this.reader, index);
    const lays = laysDown(instrument, event.shiftKey);
    // A page whose print cannot be read is written on as it is.
    if (lays) this.reader.session.print.of(this.reader.stage.pages[index]).catch(() => undefined);
    this.stroke = {
      page: index,
      pageId,
      by: event.pointerType,
      instrument,
      nib: { ...instrument.nib, width },
      colour,
      straight: instrument.straight,
      lays,
      along: null,
      live: createLiveInk(instrument.steadiness, this.hands.get(event.pointerType)),
      samples: [],
      speedPressure: createSpeedPressure(),
      predicted: [],
      movedAt: 0,
    };
    this.reader.session.strokeInHand.start();
    this.tools.lookLike({ opacity, multiplied: instrument.kind === 'highlighter' });
    this.move(event);
  }

  move(event: PointerEvent): void {
    const { stroke } = this;
    if (!stroke) return;
    for (const e of samplesOf(event)) {
      const sample = this.sampleOf(stroke, e);
      stroke.samples.push(sample);
      stroke.live.push(sample);
    }
    const { pressure } = stroke.samples[stroke.samples.length - 1];
    const predicted = (event.getPredictedEvents?.() ?? []).map((e) => ({
      ...this.sampleOf(stroke, e, true),
      pressure,
    }));
    stroke.predicted = leadOf(stroke.samples, predicted);
    if (stroke.lays) stroke.along = this.laid(stroke);
    this.painter.paint(stroke, this.tools.matrix(stroke.page));
    stroke.movedAt = performance.now();
    if (stroke.predicted.length > 0) this.watchForRest(stroke);
  }

  /** What a stroke makes of itself on the line of print it runs along, if that has been read. */
  private laid({ page, samples }: Stroke): LaidInk | null {
    const print = this.reader.session.print.known(this.reader.stage.pages[page]);
    return print && layAlong(print, samples);
  }

  hover(event: PointerEvent): void {
    // The print is there when the first line is touched.
    const { stage, session } = this.reader;
    if (!laysDown(session.hand.instrument(), event.shiftKey)) return;
    const hit = stage.pageAt(stage.fromClient(event.clientX, event.clientY));
    if (hit) session.print.of(stage.pages[hit.index]).catch(() => undefined);
  }

  /** A pen that rests sends no events: what was shown ahead of it goes. */
  private watchForRest(stroke: Stroke): void {
    this.resting ??= setTimeout(() => {
      this.resting = null;
      if (this.stroke !== stroke || stroke.predicted.length === 0) return;
      if (performance.now() - stroke.movedAt < RESTS_AFTER) return this.watchForRest(stroke);
      stroke.predicted = [];
      this.painter.paint(stroke, this.tools.matrix(stroke.page));
    }, RESTS_AFTER);
  }

  end(): void {
    this.cancel(true);
  }

  cancel(keep: boolean): void {
    const { stroke } = this;
    if (stroke) this.hands.set(stroke.by, stroke.live.hand());
    this.stroke = null;
    if (stroke && keep && stroke.samples.length > 0) return this.keep(stroke);
    if (stroke) this.reader.session.strokeInHand.drop();
    this.painter.clear();
  }

  fit(): void {
    if (!this.stroke) return;
    this.painter.clear();
    this.painter.paint(this.stroke, this.tools.matrix(this.stroke.page));
  }

  leave(): void {
    clearTimeout(this.starting);
    this.reader.session.strokeInHand.finishNow();
    this.finisher.stop();
  }

  private sampleOf({ page, speedPressure }: Stroke, e: PointerEvent, predicted = false): InkSample {
    return inkSampleOf(
      e,
      this.tools.userAt(page, e),
      predicted ? () => NO_PRESSURE : speedPressure,
    );
  }

  /** Takes in hand the figure that a figure pen tapped on; whether there was one. */
  private takeTapped({ instrument, samples, pageId }: Stroke): boolean {
    if (instrument.kind !== 'figure-pen') return false;
    const [first, last] = [samples[0], samples[samples.length - 1]];
    const { zoom } = this.reader.stage.getCamera();
    if (last.t - first.t > TAP_TIME || distance(first, last) * zoom > TAP_REACH) return false;
    const { document } = this.reader.session.store.getState();
    const touched = marksTouched(document, pageId, [last], TAP_REACH / zoom);
    const figure = [...touched].reverse().find((id) => asFigure(findMark(document, id)));
    if (figure) this.reader.session.inHand.pick([figure]);
    return figure !== undefined;
  }

  /** What a first stroke teaches. */
  private teach({ by }: Stroke): void {
    const { fingers, hints } = this.reader.session;
    if (by === 'touch') fingers.seeTwo();
    else if (by === 'pen')
      hints.teach({
        id: 'eraser-end',
        text: 'Turn the pen round, or hold its side button, to rub out.',
      });
  }

  /** The live ink stays until the finished mark is on the page, so nothing flickers. */
  private keep(stroke: Stroke): void {
    const { instrument } = stroke;
    const { session, stage } = this.reader;
    if (this.takeTapped(stroke)) {
      session.strokeInHand.drop();
      return this.painter.clear();
    }
    // It may have been read since the pen moved last.
    if (stroke.lays) stroke.along = this.laid(stroke);
    const id = crypto.randomUUID();
    let whole = asWritten(stroke, id);
    const draw = (finished: FinishedStroke | null): void => {
      const { document } = session.store.getState();
      session.dispatch(
        finished ? drawFinished(document, whole, finished) : drawInk(document, whole),
      );
      if (stroke.by === 'touch') session.fingers.noteWrote(id);
      this.teach(stroke);
      const { settle } = useSettings.getState();
      const consider = (): void =>
        session.offers.considerTidy(
          id,
          instrument.tidy,
          settle,
          finished?.found,
          printedOn(this.reader, stroke.page),
        );
      if (instrument.tidy === 'always') consider();
      else session.strokeInHand.askSoon(consider);
      this.painter.clear();
    };
    const finish = () => this.finisher.finish(strokeWork(session.store.getState().document, whole));
    const page = stage.pages[stroke.page];
    if (!stroke.lays || session.print.known(page))
      return session.strokeInHand.finishWhen(finish(), draw);
    // Its print is still being read; where it cannot be, ink lies as it was written.
    const read = session.print.of(page).then(
      () => {
        stroke.along = this.laid(stroke);
        whole = asWritten(stroke, id);
      },
      () => undefined,
    );
    session.strokeInHand.finishWhen(read.then(finish), draw);
  }
}

/** A stroke as it goes into the document: along the print where it runs along it. */
function asWritten({ along, instrument, samples, pageId }: Stroke, id: string): WrittenStroke {
  return {
    id,
    page: pageId,
    instrument: along ? laidWith(instrument, along) : instrument,
    samples: along?.samples ?? samples,
    madeAt: Date.now(),
    author: useSettings.getState().author,
  };
}
