import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { readFigure } from '@marginalis/core/figures';
import { encodeSamples, type InkSample } from '@marginalis/core/ink';

/** Thirty seconds of a real hand on a tablet, from the tests of a Debian source package (ISC licence). */

const CACHE = join(import.meta.dirname, '..', '.cache', 'references', 'tablet-log');
const SOURCE = 'libmypaint';
const LOG = 'tests/events/painting30sec.dat';
/** The log is in screen pixels, y downwards; here a pixel is so many points, as on a screen of 96 to the inch. */
const POINTS_PER_PIXEL = 72 / 96;
const HEIGHT = 600;
/** Sure enough to be offered when asked; see `core/src/editing/offerTidy.ts`. */
const ASK = 0.55;

/** Fetches the source package from where this machine's apt gets its packages. */
function fetched(): string {
  const log = join(CACHE, 'log.dat');
  if (existsSync(log)) return readFileSync(log, 'utf8');
  mkdirSync(join(CACHE, 'lists', 'partial'), { recursive: true });
  const run = (command: string, args: readonly string[]): string =>
    execFileSync(command, args, { cwd: CACHE, encoding: 'utf8' });
  const targets = run('apt-get', [
    'indextargets',
    '--format',
    'deb-src $(REPO_URI) $(RELEASE) $(COMPONENT)',
    'Created-By: Packages',
    'Label: Debian',
  ]);
  const list = join(CACHE, 'sources.list');
  writeFileSync(list, [...new Set(targets.split('\n'))].join('\n'));
  const apart = [
    ['Dir::Etc::sourcelist', list],
    ['Dir::Etc::sourceparts', '-'],
    ['Dir::State::lists', join(CACHE, 'lists')],
  ].flatMap(([name, value]) => ['-o', `${name}=${value}`]);
  run('apt-get', ['update', '-qq', ...apart]);
  run('apt-get', ['source', '-qq', '--download-only', ...apart, SOURCE]);
  const [archive] = run('sh', ['-c', `ls ${SOURCE}_*.orig.tar.*`])
    .trim()
    .split('\n');
  run('tar', ['xf', archive, '--strip-components=1', '--wildcards', `*/${LOG}`]);
  const text = readFileSync(join(CACHE, LOG), 'utf8');
  writeFileSync(log, text);
  return text;
}

/** The strokes of the log: what lies between putting the pen down and lifting it. */
export function realStrokes(): InkSample[][] {
  const strokes: InkSample[][] = [[]];
  for (const line of fetched().split('\n').filter(Boolean)) {
    const [t, x, y, pressure] = line.trim().split(/\s+/).map(Number);
    if (pressure > 0)
      strokes[strokes.length - 1].push({
        x: x * POINTS_PER_PIXEL,
        y: HEIGHT - y * POINTS_PER_PIXEL,
        t: 1000 * t,
        pressure,
        tiltX: 0,
        tiltY: 0,
      });
    else if (strokes[strokes.length - 1].length > 0) strokes.push([]);
  }
  return strokes.filter((stroke) => stroke.length > 1);
}

/** What the strokes are taken for, and what they take in storage. */
export function realHandLine(): string {
  const strokes = realStrokes();
  const counts = new Map<string, number>();
  for (const stroke of strokes) {
    const reading = readFigure([stroke]);
    const name = reading && reading.confidence >= ASK ? reading.kind : 'none';
    counts.set(name, (counts.get(name) ?? 0) + 1);
  }
  const samples = strokes.reduce((sum, s) => sum + s.length, 0);
  const bytes = strokes.reduce((sum, s) => sum + encodeSamples(s).length, 0);
  const taken = [...counts].sort((a, b) => b[1] - a[1]).map(([name, n]) => `${name} ${n}`);
  return (
    `A real hand on a tablet (Debian source ${SOURCE}, a painter’s ${strokes.length} strokes, unlabelled): ` +
    `${taken.join(', ')}. Stored, ${samples.toLocaleString('en')} samples take ${(bytes / samples).toFixed(2)} bytes each.`
  );
}
