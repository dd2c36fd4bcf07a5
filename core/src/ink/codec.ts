import { GRID, type InkSample, quantiseSamples } from './sample.ts';

/** Thrown by {@link decodeSamples} when the bytes are not what {@link encodeSamples} wrote. */
export class SampleCodecError extends Error {
  override readonly name = 'SampleCodecError';
}

const VERSION = 1;
const HAS_TILT = 1;
/** Version, flags, at least one byte of count, two of checksum. */
const SHORTEST = 5;

/** Fletcher-16 over `bytes[0, end)`: cheap, and catches every single-byte change. */
function checksum(bytes: ArrayLike<number>, end: number): number {
  let a = 1;
  let b = 0;
  for (let i = 0; i < end; i++) {
    a = (a + bytes[i]) % 251;
    b = (b + a) % 251;
  }
  return b * 256 + a;
}

/** Zigzag and base-128 without bit operations, so that values beyond 32 bits keep their digits. */
function writeInteger(out: number[], value: number): void {
  let v = value < 0 ? -2 * value - 1 : 2 * value;
  while (v >= 128) {
    out.push((v % 128) + 128);
    v = Math.floor(v / 128);
  }
  out.push(v);
}

/**
 * The residual of each channel against the straight continuation of the two samples before:
 * a hand moves smoothly, so most residuals fit one byte.
 */
const continuation = (before: number, last: number, index: number): number =>
  index === 0 ? 0 : index === 1 ? last : 2 * last - before;

/**
 * Codes samples on the stored grid (see {@link quantiseSamples}): a version byte, a flag for tilt,
 * the count, then the channels x, y, t, pressure (and tilt) sample by sample, then a checksum.
 * @throws RangeError when a coordinate is not finite
 */
export function encodeSamples(samples: readonly InkSample[]): Uint8Array {
  const kept = quantiseSamples(samples);
  const tilted = kept.some((s) => s.tiltX !== undefined);
  const out: number[] = [VERSION, tilted ? HAS_TILT : 0];
  writeInteger(out, kept.length);
  const last = [0, 0, 0, 0, 0, 0];
  const before = [0, 0, 0, 0, 0, 0];
  kept.forEach((s, i) => {
    const row = rowOf(s, tilted);
    row.forEach((value, c) => {
      if (!Number.isSafeInteger(value))
        throw new RangeError(`Sample ${i} has a coordinate that is not a finite number.`);
      writeInteger(out, value - (c < 3 ? continuation(before[c], last[c], i) : last[c]));
      before[c] = last[c];
      last[c] = value;
    });
  });
  const sum = checksum(out, out.length);
  out.push(sum >> 8, sum & 255);
  return Uint8Array.from(out);
}

function rowOf(s: InkSample, tilted: boolean): number[] {
  const row = [
    Math.round(s.x * GRID.perPoint),
    Math.round(s.y * GRID.perPoint),
    s.t,
    Math.round(s.pressure * GRID.pressure),
  ];
  return tilted ? [...row, s.tiltX ?? 0, s.tiltY ?? 0] : row;
}

/** @throws SampleCodecError on damage: a wrong version, checksum or length */
export function decodeSamples(bytes: Uint8Array): InkSample[] {
  if (bytes.length < SHORTEST) throw new SampleCodecError('The ink data is cut short.');
  if (bytes[0] !== VERSION)
    throw new SampleCodecError(`The ink data has version ${bytes[0]}, which is not known here.`);
  const end = bytes.length - 2;
  if (checksum(bytes, end) !== bytes[end] * 256 + bytes[end + 1])
    throw new SampleCodecError('The ink data does not match its checksum.');

  let at = 2;
  const readInteger = (): number => {
    let v = 0;
    for (let unit = 1; ; unit *= 128) {
      if (at >= end) throw new SampleCodecError('The ink data ends inside a number.');
      const byte = bytes[at++];
      v += (byte % 128) * unit;
      if (byte < 128) break;
      if (unit > 2 ** 49)
        throw new SampleCodecError('The ink data holds a number that is too long.');
    }
    return v % 2 === 1 ? -(v + 1) / 2 : v / 2;
  };

  const tilted = (bytes[1] & HAS_TILT) !== 0;
  const channels = tilted ? 6 : 4;
  const count = readInteger();
  if (count < 0 || count * channels > end - at)
    throw new SampleCodecError('The ink data holds fewer samples than it says.');
  const last = [0, 0, 0, 0, 0, 0];
  const before = [0, 0, 0, 0, 0, 0];
  const samples: InkSample[] = [];
  for (let i = 0; i < count; i++) {
    for (let c = 0; c < channels; c++) {
      const value = readInteger() + (c < 3 ? continuation(before[c], last[c], i) : last[c]);
      before[c] = last[c];
      last[c] = value;
    }
    samples.push(sampleOf(last, tilted));
  }
  if (at !== end) throw new SampleCodecError('The ink data goes on after its last sample.');
  return samples;
}

function sampleOf(row: readonly number[], tilted: boolean): InkSample {
  const s = {
    x: row[0] / GRID.perPoint,
    y: row[1] / GRID.perPoint,
    t: row[2],
    pressure: row[3] / GRID.pressure,
  };
  return tilted ? { ...s, tiltX: row[4], tiltY: row[5] } : s;
}
