import { type InkSample, quantiseSamples } from '../sample.ts';
import { BitReader, BitWriter } from './bits.ts';
import { RiceState } from './rice.ts';
import { expected, rowOf, sampleOf } from './rows.ts';
import { SampleCodecError } from './sampleCodecError.ts';
import { decodeOne } from './versionOne.ts';

const VERSION = 2;
const HAS_TILT = 1;
/** Places are expected where they were, rather than straight on. */
const STAYS = 2;
const HEADER = 2;
const COUNT_BITS = 32;
const CHECKSUM = 2;
/** Version, flags, count, checksum. */
const SHORTEST = HEADER + COUNT_BITS / 8 + CHECKSUM;
/** Coordinates and times beyond this many steps of the grid belong to no page, and to no stroke. */
const FARTHEST = 2 ** 40;
const NOWHERE: readonly number[] = [0, 0, 0, 0, 0, 0];

/** CRC-16 (polynomial 0x1021, first 0xFFFF) over `bytes[0, end)`: catches every change within two bytes. */
function checksum(bytes: ArrayLike<number>, end: number): number {
  let c = 0xffff;
  for (let i = 0; i < end; i++) {
    c ^= bytes[i] << 8;
    for (let k = 0; k < 8; k++) c = c & 0x8000 ? ((c << 1) ^ 0x1021) & 0xffff : (c << 1) & 0xffff;
  }
  return c;
}

/** How each channel goes on: places as the stroke says, time evenly, pressure and tilt as they were. */
const ordersOf = (stays: boolean): readonly (1 | 2)[] => [stays ? 1 : 2, stays ? 1 : 2, 2, 1, 1, 1];

/**
 * Codes samples on the stored grid (see {@link quantiseSamples}): a version byte, a flag byte, the count in four bytes, then
 * sample by sample what x, y, t, pressure (and tilt) differ from what was expected, in bits (see {@link RiceState}), then a
 * checksum.
 * @throws RangeError when a coordinate is not finite, or beyond any page
 */
export function encodeSamples(samples: readonly InkSample[]): Uint8Array {
  const kept = quantiseSamples(samples);
  const tilted = kept.some((s) => s.tiltX !== undefined);
  const rows = kept.map((s) => rowOf(s, tilted));
  rows.forEach((row, i) => {
    if (row.some((value) => !(Math.abs(value) <= FARTHEST)))
      throw new RangeError(`Sample ${i} has a coordinate that is not a finite number on a page.`);
  });
  const stays = unevenness(rows, 1) < unevenness(rows, 2);
  const bits = bitsOf(rows, ordersOf(stays));
  const out = new Uint8Array(HEADER + bits.length + CHECKSUM);
  out.set([VERSION, (tilted ? HAS_TILT : 0) + (stays ? STAYS : 0)]);
  out.set(bits, HEADER);
  const sum = checksum(out, HEADER + bits.length);
  out.set([sum >> 8, sum & 255], HEADER + bits.length);
  return out;
}

/** How far places are from what was expected. Slow strokes are mostly noise, and straight on is then the worse guess. */
function unevenness(rows: readonly (readonly number[])[], order: 1 | 2): number {
  let sum = 0;
  for (let i = 2; i < rows.length; i++)
    for (const c of [0, 1])
      sum += Math.abs(rows[i][c] - expected(order, rows[i - 2][c], rows[i - 1][c], i));
  return sum;
}

function bitsOf(rows: readonly (readonly number[])[], orders: readonly (1 | 2)[]) {
  const out = new BitWriter();
  out.write(rows.length, COUNT_BITS);
  const states = orders.map(() => new RiceState());
  let [before, last] = [NOWHERE, NOWHERE];
  rows.forEach((row, i) => {
    for (let c = 0; c < row.length; c++)
      states[c].write(out, row[c] - expected(orders[c], before[c], last[c], i));
    before = last;
    last = row;
  });
  return out.done();
}

/**
 * Reads what {@link encodeSamples} wrote, now or in earlier releases.
 * @throws SampleCodecError on damage: a wrong version, checksum or length
 */
export function decodeSamples(bytes: Uint8Array): InkSample[] {
  if (bytes[0] === 1) return decodeOne(bytes);
  if (bytes.length > 0 && bytes[0] !== VERSION)
    throw new SampleCodecError(`The ink data has version ${bytes[0]}, which is not known here.`);
  const end = bytes.length - CHECKSUM;
  if (bytes.length < SHORTEST) throw new SampleCodecError('The ink data is cut short.');
  if (checksum(bytes, end) !== bytes[end] * 256 + bytes[end + 1])
    throw new SampleCodecError('The ink data does not match its checksum.');
  const tilted = (bytes[1] & HAS_TILT) !== 0;
  const orders = ordersOf((bytes[1] & STAYS) !== 0);
  const channels = tilted ? 6 : 4;
  const bits = new BitReader(bytes, HEADER, end);
  const count = bits.read(COUNT_BITS);
  if (count * channels > bits.left)
    throw new SampleCodecError('The ink data holds fewer samples than it says.');
  const states = orders.map(() => new RiceState());
  const samples: InkSample[] = [];
  let [before, last] = [NOWHERE, NOWHERE];
  for (let i = 0; i < count; i++) {
    const row: number[] = [];
    for (let c = 0; c < channels; c++)
      row.push(states[c].read(bits) + expected(orders[c], before[c], last[c], i));
    samples.push(sampleOf(row, tilted));
    before = last;
    last = row;
  }
  if (bits.left >= 8) throw new SampleCodecError('The ink data goes on after its last sample.');
  return samples;
}
