import type { InkSample } from '../sample.ts';
import { expected, sampleOf } from './rows.ts';
import { SampleCodecError } from './sampleCodecError.ts';

const HAS_TILT = 1;
/** Version, flags, a count of one byte, two of checksum. */
const SHORTEST = 5;

/** Fletcher's checksum of version 1, modulo 251. */
function checksum(bytes: Uint8Array, end: number): number {
  let a = 1;
  let b = 0;
  for (let i = 0; i < end; i++) {
    a = (a + bytes[i]) % 251;
    b = (b + a) % 251;
  }
  return b * 256 + a;
}

/**
 * Reads samples as the first releases wrote them: each channel's difference from what was expected as a zigzag base-128
 * integer.
 * @throws SampleCodecError
 */
export function decodeOne(bytes: Uint8Array): InkSample[] {
  if (bytes.length < SHORTEST) throw new SampleCodecError('The ink data is cut short.');
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
      const value = readInteger() + expected(c < 3 ? 2 : 1, before[c], last[c], i);
      before[c] = last[c];
      last[c] = value;
    }
    samples.push(sampleOf(last, tilted));
  }
  if (at !== end) throw new SampleCodecError('The ink data goes on after its last sample.');
  return samples;
}
