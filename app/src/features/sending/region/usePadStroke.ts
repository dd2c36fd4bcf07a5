import type { Vec } from '@marginalis/core/geometry';
import { createSpeedPressure, type InkSample } from '@marginalis/core/ink';
import { writes, type WritingInstrument } from '@marginalis/core/marks';
import { type PointerEvent, useRef, useState } from 'react';
import { useSession, useSettings } from '@/session';
import { inkSampleOf, samplesOf } from '@/shell';

/** A stroke under the pen, or just written. */
export interface PadStroke {
  readonly instrument: WritingInstrument;
  readonly samples: readonly InkSample[];
}

interface Live extends PadStroke {
  /** Of all that touches the pad, what draws: a palm beside the pen does not. */
  readonly pointer: number;
  readonly samples: InkSample[];
  readonly pressureOf: (at: Vec, t: number) => number;
}

/** Follows what draws on a pad, and tells of every stroke once it is written. `userAt` is where an event is, in user space. */
export function usePadStroke(
  userAt: (e: MouseEvent) => Vec,
  onWritten: (stroke: PadStroke) => void,
) {
  const live = useRef<Live | null>(null);
  const [line, setLine] = useState<readonly Vec[]>([]);
  const { fingers, hand } = useSession();
  const roll = useSettings((s) => s.roll);
  // What is in hand where it writes, the first that does where it does not.
  const instrument = [hand.instrument(), ...roll].find(writes) ?? null;
  const follow = (e: PointerEvent): void => {
    const { current } = live;
    if (current?.pointer !== e.pointerId) return;
    for (const one of samplesOf(e.nativeEvent))
      current.samples.push(inkSampleOf(one, userAt(one), current.pressureOf));
    setLine([...current.samples]);
  };
  const end = (e: PointerEvent, isWritten: boolean): void => {
    const { current } = live;
    if (current?.pointer !== e.pointerId) return;
    live.current = null;
    setLine([]);
    if (isWritten) onWritten(current);
  };
  return {
    /** Null where none of the roll writes. */
    instrument,
    /** The stroke so far. */
    line,
    onPointerDown(e: PointerEvent): void {
      if (!instrument || live.current || (e.pointerType === 'mouse' && e.button !== 0)) return;
      if (e.pointerType === 'touch' && !fingers.fingersWrite()) return;
      e.currentTarget.setPointerCapture(e.pointerId);
      const pressureOf = createSpeedPressure();
      live.current = { instrument, pointer: e.pointerId, samples: [], pressureOf };
      follow(e);
    },
    onPointerMove: follow,
    onPointerUp: (e: PointerEvent) => end(e, true),
    onPointerCancel: (e: PointerEvent) => end(e, false),
  };
}
