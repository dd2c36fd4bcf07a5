import { drawInk } from '@marginalis/core/editing';
import { emptyDocument, REMARK_SHEET } from '@marginalis/core/document';
import { drawPathInto, type Vec } from '@marginalis/core/geometry';
import {
  createLiveInk,
  createSpeedPressure,
  type InkSample,
  type LiveInk,
  outlineInk,
  quantiseSamples,
} from '@marginalis/core/ink';
import { asInk, type InkMark, type Mark } from '@marginalis/core/kinds';
import { instrumentStyle, type WritingInstrument } from '@marginalis/core/marks';
import { samplesOf } from '../writing';

/** Rubbed out is what the eraser end passes within, points. */
export const RUBS = 5;

interface Stroke {
  readonly pointer: number;
  readonly live: LiveInk;
  readonly samples: InkSample[];
  readonly speedPressure: (place: Vec, t: number) => number;
}

/** The pen on a sheet of its own: shows what is being written on a canvas, and makes it ink when the pen is lifted. */
export class PadWriter {
  private stroke: Stroke | null = null;

  constructor(
    private readonly canvas: HTMLCanvasElement,
    private readonly instrument: WritingInstrument,
    /** Points across the canvas; its head is at y = 0, and all else below. */
    private readonly width: number,
  ) {}

  get isWriting(): boolean {
    return this.stroke !== null;
  }

  start(event: PointerEvent): void {
    this.stroke = {
      pointer: event.pointerId,
      live: createLiveInk(this.instrument.steadiness),
      samples: [],
      speedPressure: createSpeedPressure(),
    };
    this.move(event);
  }

  move(event: PointerEvent): void {
    const { stroke } = this;
    if (stroke?.pointer !== event.pointerId) return;
    for (const e of samplesOf(event)) {
      const at = this.placeOf(e);
      const t = e.timeStamp;
      const sample =
        e.pointerType === 'pen'
          ? { ...at, t, pressure: e.pressure, tiltX: e.tiltX, tiltY: e.tiltY }
          : { ...at, t, pressure: stroke.speedPressure(at, t) };
      stroke.samples.push(sample);
      stroke.live.push(sample);
    }
    this.paint(stroke);
  }

  /** The stroke that has been written; null where there was none. */
  end(
    event: PointerEvent,
    made: { readonly author: string; readonly madeAt: number },
  ): InkMark | null {
    const { stroke } = this;
    if (stroke?.pointer !== event.pointerId) return null;
    this.cancel();
    const transaction = drawInk(emptyDocument([]), {
      ...made,
      id: crypto.randomUUID(),
      page: REMARK_SHEET,
      instrument: this.instrument,
      samples: quantiseSamples(stroke.samples),
    });
    return asInk(transaction.changes[0].after as Mark);
  }

  cancel(): void {
    this.stroke = null;
    const { canvas } = this;
    canvas.getContext('2d')?.clearRect(0, 0, canvas.width, canvas.height);
  }

  /** A place of the window on the sheet, points. */
  placeOf({ clientX, clientY }: Pick<PointerEvent, 'clientX' | 'clientY'>): Vec {
    const { left, top, width } = this.canvas.getBoundingClientRect();
    const zoom = width / this.width;
    return { x: (clientX - left) / zoom, y: -(clientY - top) / zoom };
  }

  private paint({ live }: Stroke): void {
    const { canvas, instrument } = this;
    const ctx = canvas.getContext('2d');
    if (!ctx) return;
    const { colour, width } = instrumentStyle(instrument);
    const scale = canvas.width / this.width;
    ctx.setTransform(1, 0, 0, 1, 0, 0);
    ctx.clearRect(0, 0, canvas.width, canvas.height);
    ctx.setTransform(scale, 0, 0, -scale, 0, 0);
    ctx.fillStyle = colour;
    ctx.beginPath();
    const line = [...live.settledFrom(0), ...live.tail()];
    drawPathInto(ctx, outlineInk(line, { ...instrument.nib, width }));
    ctx.fill();
    ctx.setTransform(1, 0, 0, 1, 0, 0);
  }
}
