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
  /** The same by what it was spent on; the rest only where no detail was asked for. */
  readonly spent: ReadonlyMap<Spent, number>;
}

/** What the main thread spends time on. The rest is copying canvases and handing layers on, for the most part. */
export const SPENT = ['scripts', 'garbage', 'layout', 'layers and paint', 'the rest'] as const;
export type Spent = (typeof SPENT)[number];

/** Which events of the trace tell what; the first that fits. */
const SIGNS: readonly (readonly [Spent, RegExp])[] = [
  ['garbage', /^V8\.GC|MinorGC|MajorGC/],
  ['layout', /^(Layout|UpdateLayoutTree|PrePaint|HitTest)$/],
  ['layers and paint', /^(Paint|Layerize|Commit)$/],
  [
    'scripts',
    /^(FunctionCall|v8\.|V8\.|EventDispatch|FireAnimationFrame|TimerFire|RunMicrotasks|BlinkScheduler_PerformMicrotask)/,
  ],
];
const spentOn = (name: string): Spent =>
  SIGNS.find(([, sign]) => sign.test(name))?.[0] ?? 'the rest';

const CATEGORIES = ['toplevel', 'blink.user_timing'];
/** Tells what tasks are made of, and makes them about a tenth longer. */
const DETAIL = ['devtools.timeline', 'v8'];

/**
 * Records what the main thread of a page does. `stop` gives, for each frame marked, all tasks from the one with its
 * mark to the next: event handling, style, layout, painting, timers, collections; not waiting for work.
 */
export async function recordTasks(
  page: Page,
  inDetail = false,
): Promise<{ stop(): Promise<FrameWork[]> }> {
  const devtools = await page.context().newCDPSession(page);
  const events: TraceEvent[] = [];
  devtools.on('Tracing.dataCollected', ({ value }) =>
    events.push(...(value as unknown as TraceEvent[])),
  );
  await devtools.send('Tracing.start', {
    transferMode: 'ReportEvents',
    traceConfig: { includedCategories: inDetail ? [...CATEGORIES, ...DETAIL] : CATEGORIES },
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
  const work = marks.map(() => ({ time: 0, processor: 0, spent: new Map<Spent, number>() }));
  /** The tasks that are going on, the innermost last. */
  const within: { readonly name: string; readonly end: number; own: number }[] = [];
  let frame = -1;
  const close = (until: number): void => {
    for (let task = within.at(-1); task && task.end <= until; task = within.at(-1)) {
      within.pop();
      if (frame < 0) continue;
      const { spent } = work[frame];
      const kind = spentOn(task.name);
      spent.set(kind, (spent.get(kind) ?? 0) + task.own / 1000);
    }
  };
  for (const { name, ts, dur = 0, tdur = dur } of pieces) {
    close(ts);
    const outer = within.at(-1);
    if (outer) outer.own -= tdur;
    else {
      while (frame + 1 < marks.length && marks[frame + 1].ts <= ts + dur) frame++;
      if (frame >= 0) {
        work[frame].time += dur / 1000;
        work[frame].processor += tdur / 1000;
      }
    }
    within.push({ name, end: ts + dur, own: tdur });
  }
  close(Infinity);
  return work;
}
