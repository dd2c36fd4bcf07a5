import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { inflateSync } from 'node:zlib';
import { readFigure } from '@marginalis/core/figures';
import type { InkSample } from '@marginalis/core/ink';

/** Four gestures of a real hand, from a Debian package of examples (MIT licence). */

const CACHE = join(import.meta.dirname, '..', '.cache', 'references', 'gestures');
const PACKAGE = 'python-kivy-examples';
const FILE = 'usr/share/kivy-examples/gestures/my_gestures.py';
/** The gestures are one unit large; here so many points. */
const SIZE = 120;
const MS = 12;

function fetched(): string {
  const file = join(CACHE, FILE);
  if (!existsSync(file)) {
    mkdirSync(CACHE, { recursive: true });
    execFileSync('apt-get', ['download', '-qq', PACKAGE], { cwd: CACHE });
    execFileSync(
      'sh',
      [
        '-c',
        `dpkg-deb --fsys-tarfile ${PACKAGE}_*.deb | tar xf - ./${FILE} && rm ${PACKAGE}_*.deb`,
      ],
      { cwd: CACHE },
    );
  }
  return readFileSync(file, 'utf8');
}

/** The strokes of a stored gesture: each point is written as its y and its x. They have no times; here they come evenly. */
function strokesOf(stored: string): InkSample[][] {
  const text = inflateSync(Buffer.from(stored, 'base64')).toString('latin1');
  return text
    .split('GestureStroke')
    .slice(1)
    .map((stroke) =>
      stroke
        .split('GesturePoint')
        .slice(1)
        .map((point, i): InkSample => {
          const [y, x] = [...point.matchAll(/F(-?[\d.e-]+)/g)].map((m) => SIZE * Number(m[1]));
          return { x: 300 + x, y: 300 + y, t: i * MS, pressure: 0.5 };
        }),
    );
}

/** What each gesture is called and what it is read as. */
export function realGestureLine(): string {
  const told = [...fetched().matchAll(/(\w+)\s*=\s*gdb\.str_to_gesture\(([^)]*)\)/g)].map(
    ([, name, literal]) => {
      const stored = [...literal.matchAll(/'([^']*)'/g)].map((m) => m[1]).join('');
      const reading = readFigure(strokesOf(stored));
      return `${name}: ${reading ? `${reading.kind} (${reading.confidence.toFixed(2)})` : 'none'}`;
    },
  );
  return `Four gestures of a real hand (Debian package ${PACKAGE}), as they are called and as they are read: ${told.join(', ')}.`;
}
