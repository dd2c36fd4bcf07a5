import { decodeSamples, type InkSample } from '@marginalis/core/ink';
import { fromBase64 } from '@marginalis/core/marks';
import { PRACTICE_STROKES } from './strokes';

/** No hardware gives a pointer this id. */
const POINTER = 77_077;
/** Pause between strokes, ms. */
const LIFT = 160;

/** Where the recorded frame lies on the screen: its corner, and CSS pixels a point. */
export interface Place {
  readonly x: number;
  readonly y: number;
  readonly scale: number;
}

function pointerEvent(
  type: string,
  s: InkSample,
  place: Place,
  time: number,
  more: PointerEventInit = {},
) {
  const down = type !== 'pointerup';
  const event = new PointerEvent(type, {
    bubbles: true,
    cancelable: true,
    composed: true,
    pointerId: POINTER,
    pointerType: 'pen',
    isPrimary: true,
    clientX: place.x + s.x * place.scale,
    clientY: place.y + s.y * place.scale,
    pressure: down ? s.pressure : 0,
    tiltX: s.tiltX ?? 0,
    tiltY: s.tiltY ?? 0,
    buttons: down ? 1 : 0,
    button: type === 'pointermove' ? -1 : 0,
    ...more,
  });
  // The time it was recorded at; several samples come with one frame, as from hardware.
  Object.defineProperty(event, 'timeStamp', { value: time });
  return event;
}

/**
 * A simulated stylus: writes recorded strokes, with their pressure and tilt, through the same events as a true
 * one, until all is written or the target has left the screen. One writes at a time.
 */
export async function practise(target: HTMLElement, place: Place): Promise<void> {
  if (target.dataset.practising) return;
  target.dataset.practising = 'yes';
  try {
    for (const stroke of PRACTICE_STROKES) {
      if (!target.isConnected) return;
      await write(target, decodeSamples(fromBase64(stroke)), place);
      await new Promise((done) => setTimeout(done, LIFT));
    }
  } finally {
    delete target.dataset.practising;
  }
}

function write(target: HTMLElement, samples: readonly InkSample[], place: Place): Promise<void> {
  const start = performance.now();
  const at = (s: InkSample): number => start + s.t;
  target.dispatchEvent(pointerEvent('pointerdown', samples[0], place, at(samples[0])));
  let next = 1;
  return new Promise((done) => {
    const frame = (now: number): void => {
      const due: PointerEvent[] = [];
      for (; next < samples.length && at(samples[next]) <= now; next++)
        due.push(pointerEvent('pointermove', samples[next], place, at(samples[next])));
      if (due.length > 0) {
        const s = samples[next - 1];
        target.dispatchEvent(
          pointerEvent('pointermove', s, place, at(s), { coalescedEvents: due }),
        );
      }
      if (next < samples.length && target.isConnected) {
        requestAnimationFrame(frame);
        return;
      }
      const last = samples[next - 1];
      target.dispatchEvent(pointerEvent('pointerup', last, place, at(last)));
      done();
    };
    requestAnimationFrame(frame);
  });
}
