import type { Page } from '@playwright/test';

/** The page marks the beginning of each frame so (`performance.mark`). */
export const FRAME_MARK = 'bench-frame';

/** What is needed of an event of the Trace Event Format, as Chromium reports it; times in µs. */
interface TraceEvent {
  readonly name: string;
  readonly ph: string;
  readonly pid: number;
  readonly tid: number;
  readonly ts: number;
  readonly dur?: number;
  /** Of which so much on a processor, where the system tells. */
  readonly tdur?: number;
}

/** What the main thread did in one frame. */
export interface FrameWork {
  /** By the clock, ms: includes waiting for a processor that others have. */
  readonly time: number;
  /** On a processor, ms. */
  readonly processor: number;
}

const CATEGORIES = ['toplevel', 'blink.user_timing'];

/**
 * Records what the main thread of a page does. `stop` gives, for each frame marked, all tasks from the one with its
 * mark to the next: event handling, style, layout, painting, timers, collections; not waiting for work.
 */
export async function recordTasks(page: Page): Promise<{ stop(): Promise<FrameWork[]> }> {
  const devtools = await page.context().newCDPSession(page);
  const events: TraceEvent[] = [];
  devtools.on('Tracing.dataCollected', ({ value }) =>
    events.push(...(value as unknown as TraceEvent[])),
  );
  await devtools.send('Tracing.start', {
    transferMode: 'ReportEvents',
    traceConfig: { includedCategories: CATEGORIES },
  });
  return {
    async stop() {
      const complete = new Promise((resolve) => devtools.once('Tracing.tracingComplete', resolve));
      await devtools.send('Tracing.end');
      await complete;
      await devtools.detach();
      return tasksByFrame(events);
    },
  };
}

function tasksByFrame(events: readonly TraceEvent[]): FrameWork[] {
  const marks = events.filter((e) => e.name === FRAME_MARK).sort((a, b) => a.ts - b.ts);
  if (marks.length === 0) throw new Error('The browser reported no frame.');
  const { pid, tid } = marks[0];
  const pieces = events
    .filter((e) => e.ph === 'X' && e.pid === pid && e.tid === tid && e.dur)
    .sort((a, b) => a.ts - b.ts || (b.dur ?? 0) - (a.dur ?? 0));
  const work = marks.map(() => ({ time: 0, processor: 0 }));
  let frame = -1;
  let end = 0;
  for (const { ts, dur = 0, tdur = dur } of pieces) {
    if (ts < end) continue;
    end = ts + dur;
    while (frame + 1 < marks.length && marks[frame + 1].ts <= end) frame++;
    if (frame < 0) continue;
    work[frame].time += dur / 1000;
    work[frame].processor += tdur / 1000;
  }
  return work;
}
