import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';

const FOLDER = 'app/dist/_expo/static/js/web';
/** The first script may be this large, kB gzip; an empty page of the same stack has 421. */
const MOST = 600;

/** Packed when it was built, unless it is so small that nothing would be won. */
const servedSize = (file: string): number =>
  statSync(existsSync(`${file}.br`) ? `${file}.br` : file).size;

/** How large the scripts of the built application are; the first is what a first visit waits for. */
export function sizeTable(): string {
  const sizes = readdirSync(FOLDER)
    .filter((name) => name.endsWith('.js'))
    .map((name) => ({
      name: name.replace(/-[0-9a-f]+\.js$/, ''),
      kB: gzipSync(readFileSync(join(FOLDER, name))).length / 1000,
      served: servedSize(join(FOLDER, name)) / 1000,
    }))
    .sort((a, b) => b.kB - a.kB);
  return [
    '| script | kB gzip | of the most | kB as it is served (Brotli) |',
    '|---|---:|---:|---:|',
    ...sizes.map(
      ({ name, kB, served }) =>
        `| ${name} | ${kB.toFixed(0)} | ${name === 'entry' ? (kB / MOST).toFixed(2) : '–'} | ${served.toFixed(0)} |`,
    ),
  ].join('\n');
}
