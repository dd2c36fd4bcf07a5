/** Segments of a JPEG file that say when, where and with what it was made (APP1–APP13, APP15, comments); colour profiles (APP2) and what says how colours are stored (APP0, APP14) stay. */
const isTold = (marker: number): boolean =>
  marker === 0xfe || (marker >= 0xe1 && marker <= 0xef && marker !== 0xe2 && marker !== 0xee);
const START_OF_SCAN = 0xda;
const END_OF_IMAGE = 0xd9;

/** Chunks of a PNG file that stay: what is needed to show it as it was meant (PNG, third edition, clause 11). */
const KEPT = new Set([
  ...['IHDR', 'PLTE', 'IDAT', 'IEND', 'tRNS', 'cHRM', 'gAMA', 'iCCP', 'sBIT', 'sRGB', 'cICP'],
  ...['pHYs'],
]);
const PNG_HEAD = 8;
/** Length, name and checksum of a chunk. */
const CHUNK = 12;

/**
 * The same picture without what its file says of place, time, camera and person; not a pixel is touched.
 * @throws RangeError when its parts do not follow one another as they should
 */
export const withoutMetadata = (bytes: Uint8Array, format: 'jpeg' | 'png'): Uint8Array =>
  format === 'jpeg' ? bareJpeg(bytes) : barePng(bytes);

/** Frames of JPEG begin with these, but for tables that have numbers among them (ISO 10918-1, table B.1). */
const isFrame = (marker: number): boolean =>
  marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker);

/**
 * Whether a picture's numbers are grays, or red, green and blue as screens take them, of 8 bits: with nothing said of colours that a document would have
 * to say, too.
 * @throws RangeError when its parts do not follow one another as they should
 */
export function hasPlainColours(bytes: Uint8Array, format: 'jpeg' | 'png'): boolean {
  if (format === 'jpeg')
    return segmentsOf(bytes).every(({ marker, part }) =>
      isFrame(marker) ? part[4] === 8 && (part[9] === 1 || part[9] === 3) : marker !== 0xe2,
    );
  const names = new Set(chunksOf(bytes).map(({ name }) => name));
  const isOfScreens = names.has('sRGB') || !(names.has('gAMA') || names.has('cHRM'));
  return isOfScreens && !names.has('iCCP') && !names.has('cICP');
}

interface Segment {
  readonly marker: number;
  readonly part: Uint8Array;
}

/** The segments of a JPEG file from its start to the end of its first picture, scans with what follows them. */
function segmentsOf(bytes: Uint8Array): Segment[] {
  const segments: Segment[] = [];
  let at = 2;
  for (;;) {
    // Segments may have any number of 0xff before them.
    while (bytes[at] === 0xff && bytes[at + 1] === 0xff) at++;
    if (bytes[at] !== 0xff || at + 1 >= bytes.length)
      throw new RangeError('A segment of the JPEG file does not begin where it should.');
    const marker = bytes[at + 1];
    // Some cameras append more pictures.
    if (marker === END_OF_IMAGE) return [...segments, { marker, part: bytes.subarray(at, at + 2) }];
    const head = at + 2 + ((bytes[at + 2] << 8) | bytes[at + 3]);
    const end = marker === START_OF_SCAN ? endOfScan(bytes, head) : head;
    if (!(end <= bytes.length)) throw new RangeError('A segment of the JPEG file is cut off.');
    segments.push({ marker, part: bytes.subarray(at, end) });
    at = end;
  }
}

const bareJpeg = (bytes: Uint8Array): Uint8Array =>
  joined([
    bytes.subarray(0, 2),
    ...segmentsOf(bytes).flatMap(({ marker, part }) => (isTold(marker) ? [] : [part])),
  ]);

/** Where the next segment begins: in a scan 0xff is followed by 0, or by a number between its parts (ISO 10918-1, B.1.1). */
function endOfScan(bytes: Uint8Array, from: number): number {
  for (let k = from; k + 1 < bytes.length; k++) {
    if (bytes[k] !== 0xff) continue;
    const next = bytes[k + 1];
    if (next !== 0 && next !== 0xff && !(next >= 0xd0 && next <= 0xd7)) return k;
  }
  throw new RangeError('The JPEG file has no end.');
}

const barePng = (bytes: Uint8Array): Uint8Array =>
  joined([
    bytes.subarray(0, PNG_HEAD),
    ...chunksOf(bytes).flatMap(({ name, part }) => (KEPT.has(name) ? [part] : [])),
  ]);

interface Chunk {
  readonly name: string;
  readonly part: Uint8Array;
}

function chunksOf(bytes: Uint8Array): Chunk[] {
  const chunks: Chunk[] = [];
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let at = PNG_HEAD; at + CHUNK <= bytes.length;) {
    const end = at + CHUNK + view.getUint32(at);
    if (end > bytes.length) throw new RangeError('A chunk of the PNG file is cut off.');
    const name = String.fromCharCode(...bytes.subarray(at + 4, at + 8));
    chunks.push({ name, part: bytes.subarray(at, end) });
    if (name === 'IEND') return chunks;
    at = end;
  }
  throw new RangeError('The PNG file has no end.');
}

function joined(parts: readonly Uint8Array[]): Uint8Array {
  const all = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return all;
}
