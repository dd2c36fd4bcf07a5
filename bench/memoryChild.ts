import { readFileSync } from 'node:fs';
import { PDFDocument } from '@cantoo/pdf-lib';
import { inspectPdf, makeFixedCopy } from '@marginalis/core/pdf';
import { deflate } from '../cli/deflate';
import { pictureTools } from '../cli/smaller';
import { pageRefsFor } from '../core/testing/marks';
import { covered } from './flatten';

/** What is done to a file; run for each in a process of its own: node --expose-gc memoryChild.ts WAY FILE. */
const WAYS: Readonly<Record<string, (source: Uint8Array) => Promise<unknown>>> = {
  fixed: async (source) => makeFixedCopy(source, await marked(source), { deflate }),
  smaller: async (source) => {
    const smaller = { dpi: 150, tools: await pictureTools() };
    return makeFixedCopy(source, await marked(source), { deflate, smaller });
  },
  'load and save': async (source) => (await PDFDocument.load(source)).save(),
};
const STROKES = 40;
const marked = async (source: Uint8Array) =>
  covered(pageRefsFor((await inspectPdf(source)).pages), STROKES);

/** The most memory this process has had, bytes. What `resourceUsage` tells counts the process it was started by. */
function peak(): number {
  const [, kB] = /^VmHWM:\s+(\d+) kB$/m.exec(readFileSync('/proc/self/status', 'utf8')) ?? [];
  return Number(kB) * 1024;
}

const [, , way, file] = process.argv;
const small = await PDFDocument.create();
small.addPage([300, 400]);
// What is loaded once is not counted.
await WAYS[way](await small.save());
globalThis.gc?.();
const before = process.memoryUsage.rss();
await WAYS[way](new Uint8Array(readFileSync(file)));
console.log(peak() - before);
