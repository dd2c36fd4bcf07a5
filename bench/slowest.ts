import type { Page } from '@playwright/test';
import { fillFirstPage } from './fillPage';
import { inBrowser } from './inBrowser';
import { type FrameWork, recordTasks, SPENT } from './mainThread';
import { actInFrames, holdFineEraser } from './penInFrames';
import { quantile } from './report';

/** What the frames over a page full of ink are spent on, the slowest hundredth beside all; and what the page weighs. */

const STROKES = 5000;

/** A second round: in the first the browser still makes the code fast, and canvases come that are there then. */
async function secondRound(page: Page, act: 'write' | 'pan'): Promise<readonly FrameWork[]> {
  await actInFrames(page, act);
  const recorder = await recordTasks(page, true);
  const handled = await actInFrames(page, act);
  // What came after the last frame was not the act's.
  return (await recorder.stop()).slice(0, handled.length - 1);
}

function rowsOf(what: string, frames: readonly FrameWork[]): string[] {
  const limit = quantile(
    frames.map((f) => f.processor),
    0.99,
  );
  const row = (name: string, some: readonly FrameWork[]): string => {
    const mean = (of: (f: FrameWork) => number): string =>
      `${(some.reduce((sum, f) => sum + of(f), 0) / some.length).toFixed(1)} ms`;
    const cells = [mean((f) => f.processor), ...SPENT.map((s) => mean((f) => f.spent.get(s) ?? 0))];
    return `| ${what}, ${name} | ${some.length} | ${cells.join(' | ')} |`;
  };
  return [
    row('all frames', frames),
    row(
      'the slowest hundredth',
      frames.filter((f) => f.processor >= limit),
    ),
  ];
}

/** How many objects and boxed numbers a collector walks over, and how much memory scripts have. */
async function weightOf(page: Page): Promise<string> {
  const devtools = await page.context().newCDPSession(page);
  const chunks: string[] = [];
  devtools.on('HeapProfiler.addHeapSnapshotChunk', ({ chunk }) => chunks.push(chunk));
  await devtools.send('HeapProfiler.collectGarbage');
  const { usedSize } = await devtools.send('Runtime.getHeapUsage');
  await devtools.send('HeapProfiler.takeHeapSnapshot', { reportProgress: false });
  await devtools.detach();
  const { snapshot, nodes } = JSON.parse(chunks.join('')) as {
    snapshot: { meta: { node_fields: string[]; node_types: [string[]] } };
    nodes: number[];
  };
  const fields = snapshot.meta.node_fields;
  const [types] = snapshot.meta.node_types;
  const at = fields.indexOf('type');
  const count = (type: string): string => {
    const k = types.indexOf(type);
    let n = 0;
    for (let i = at; i < nodes.length; i += fields.length) if (nodes[i] === k) n++;
    return n.toLocaleString('en');
  };
  return `The page's scripts hold ${(usedSize / 1e6).toFixed(0)} MB: ${count('object')} objects, ${count('number')} boxed numbers.`;
}

export function slowestTable(): Promise<string> {
  return inBrowser(async (context) => {
    const page = await context.newPage();
    await fillFirstPage(page, 'Rock-pool zones', STROKES);
    const weight = await weightOf(page);
    const rows = [
      ...rowsOf('writing', await secondRound(page, 'write')),
      ...rowsOf('panning', await secondRound(page, 'pan')),
    ];
    await fillFirstPage(page, 'How barnacles choose a rock', STROKES);
    await holdFineEraser(page);
    rows.push(...rowsOf('rubbing out parts', await secondRound(page, 'write')));
    return [
      `| ${STROKES.toLocaleString('en')} strokes on the page | frames | on a processor | ${SPENT.join(' | ')} |`,
      `|---|---:|---:|${'---:|'.repeat(SPENT.length)}`,
      ...rows,
      '',
      weight,
    ].join('\n');
  });
}
