import { type Instrument, instrumentStyle } from '@marginalis/core/marks';
import type { Hit, InstrumentWriter, Reader, WritingTools } from '@/shell';
import { FigureDrawer } from './FigureDrawer';
import { type InkWriter } from './InkWriter';

/** The figure pen: ink that is tidied, or one figure outright. */
export class FigureWriter implements InstrumentWriter {
  private readonly drawer: FigureDrawer;
  /** A figure is being drawn outright with the pointer that is down. */
  private drawing = false;

  constructor(
    private readonly reader: Reader,
    private readonly tools: WritingTools,
    private readonly ink: InkWriter,
  ) {
    this.drawer = new FigureDrawer(reader, tools);
  }

  start(event: PointerEvent, hit: Hit, instrument: Instrument): void {
    this.drawing = false;
    if (instrument.kind !== 'figure-pen' || instrument.shape === 'freehand') {
      this.drawer.finish();
      return this.ink.start(event, hit, instrument);
    }
    this.drawing = true;
    this.reader.session.inHand.pick([]);
    this.tools.lookLike({ opacity: instrumentStyle(instrument).opacity, multiplied: false });
    this.drawer.start(event, hit, instrument);
  }

  move(event: PointerEvent): void {
    (this.drawing ? this.drawer : this.ink).move(event);
  }

  end(): void {
    if (this.drawing) this.drawer.end();
    else this.ink.end();
    this.drawing = false;
  }

  cancel(keep: boolean): void {
    if (!this.drawing) return this.ink.cancel(keep);
    this.drawing = false;
    if (keep) this.drawer.end();
    else this.drawer.callOff();
  }

  hover(event: PointerEvent): void {
    if (this.drawer.isTapping) this.drawer.move(event);
  }

  yield(): void {
    this.drawer.finish();
  }

  fit(): void {
    this.drawer.paint();
    this.ink.fit();
  }

  leave(): void {
    this.drawer.finish();
    this.ink.leave();
  }
}
