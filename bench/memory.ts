import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PDFDocument, PDFName } from '@cantoo/pdf-lib';
import { seededRandom } from '../core/testing/seededRandom';
import { median, type Row } from './report';

const ROUNDS = 3;
const PAGES = 40;
/** Of the picture on each page; nothing packs it. */
const [WIDTH, HEIGHT] = [1000, 833];
const MEGA = 1e6;

/** A file of 100 MB: pages with a picture each. */
async function large(): Promise<Uint8Array> {
  const random = seededRandom(5);
  const doc = await PDFDocument.create();
  const { context } = doc;
  for (let k = 0; k < PAGES; k++) {
    const levels = new Uint8Array(WIDTH * HEIGHT * 3);
    for (let i = 0; i < levels.length; i++) levels[i] = 256 * random();
    const dict = { Type: 'XObject', Subtype: 'Image', Width: WIDTH, Height: HEIGHT };
    const picture = context.register(
      context.stream(levels, { ...dict, ColorSpace: 'DeviceRGB', BitsPerComponent: 8 }),
    );
    const page = doc.addPage([400, 333]);
    page.node.set(PDFName.of('Resources'), context.obj({ XObject: { P: picture } }));
    const content = context.stream('q 240 0 0 200 40 40 cm /P Do Q');
    page.node.set(PDFName.of('Contents'), context.register(content));
  }
  return doc.save();
}

/** How much memory a process takes at most, beside what it has before it begins, bytes. */
function peak(way: string, file: string): number {
  const { stdout, stderr } = spawnSync(
    process.execPath,
    ['--expose-gc', '--import', 'tsx', 'bench/memoryChild.ts', way, file],
    { encoding: 'utf8' },
  );
  const taken = Number(stdout.trim().split('\n').at(-1));
  if (!(taken > 0)) throw new Error(stderr);
  return taken;
}

/** The memory that copies of a file of 100 MB take, against loading and saving it, and against the file. */
export async function benchMemory(): Promise<Row[]> {
  const folder = mkdtempSync(join(tmpdir(), 'memory-'));
  try {
    const file = join(folder, 'large.pdf');
    const source = await large();
    writeFileSync(file, source);
    const size = source.length / MEGA;
    const peaks = (way: string): number =>
      median(Array.from({ length: ROUNDS }, () => peak(way, file))) / MEGA;
    const saving = peaks('load and save');
    return (['fixed', 'smaller'] as const).flatMap((way) => {
      const what = `memory for a fixed copy of 100 MB, 1,600 strokes${way === 'smaller' ? ', made smaller' : ''}`;
      const ours = peaks(way);
      return [
        {
          what,
          ours,
          theirs: saving,
          reference: 'loading and saving it with the same library',
          unit: 'MB',
        },
        { what, ours, theirs: size, reference: 'the file', unit: 'MB' },
      ];
    });
  } finally {
    rmSync(folder, { recursive: true });
  }
}
