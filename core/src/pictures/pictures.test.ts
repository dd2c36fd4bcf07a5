import fc from 'fast-check';
import { smallPicture } from '../../testing/attachment.ts';
import { pageBox, vec } from '../../testing/arbitraries.ts';
import { displayMatrix, displaySize, plainPage, transform } from '../geometry/index.ts';
import { fromBase64 } from '../marks/index.ts';
import { pictureHead, PictureRefusal } from './pictureHead.ts';
import { pixelsIn, pixelsWanted, placeOnPage } from './placeOnPage.ts';
import { hasPlainColours, withoutMetadata } from './withoutMetadata.ts';

const jpeg = fromBase64(smallPicture('a').data);
const ascii = (text: string): Uint8Array => Uint8Array.from(text, (c) => c.charCodeAt(0));
const joined = (...parts: readonly Uint8Array[]): Uint8Array =>
  Uint8Array.from(parts.flatMap((part) => [...part]));

/** A segment of a JPEG file. */
const segment = (marker: number, body: Uint8Array): Uint8Array =>
  joined(Uint8Array.of(0xff, marker, (body.length + 2) >> 8, (body.length + 2) & 255), body);
const withSegments = (...segments: readonly Uint8Array[]): Uint8Array =>
  joined(jpeg.subarray(0, 2), ...segments, jpeg.subarray(2));

/** A chunk of a PNG file; nobody looks at its checksum here. */
function chunk(name: string, body: Uint8Array): Uint8Array {
  const head = new Uint8Array(8);
  new DataView(head.buffer).setUint32(0, body.length);
  head.set(ascii(name), 4);
  return joined(head, body, new Uint8Array(4));
}
const PNG_HEAD = Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a);
function png(width: number, height: number, ...more: readonly Uint8Array[]): Uint8Array {
  const head = new Uint8Array(13);
  const view = new DataView(head.buffer);
  view.setUint32(0, width);
  view.setUint32(4, height);
  head.set([8, 2], 8);
  return joined(PNG_HEAD, chunk('IHDR', head), ...more, chunk('IEND', new Uint8Array()));
}

const reasonOf = (bytes: Uint8Array): string => {
  try {
    pictureHead(bytes, 'Shore.png');
    return '';
  } catch (e) {
    if (e instanceof PictureRefusal) return e.reason;
    throw e;
  }
};

test('what a picture is, is read off its head', () => {
  expect(pictureHead(jpeg, 'a')).toEqual({ format: 'jpeg', width: 8, height: 6, orientation: 1 });
  expect(pictureHead(png(700, 300), 'a')).toMatchObject({ format: 'png', width: 700, height: 300 });
  const svg = ascii('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 30"></svg>');
  expect(pictureHead(svg, 'a')).toMatchObject({ format: 'svg', width: 40, height: 30 });
});

test('a few bytes that claim pixels without end, and what is no picture, are refused with a sentence', () => {
  expect(reasonOf(png(100_000, 100_000))).toBe('too-many-pixels');
  expect(reasonOf(png(12_000, 9000))).toBe('too-many-pixels');
  expect(reasonOf(png(0, 10))).toBe('no-picture');
  for (const bytes of [new Uint8Array(), ascii('%PDF-1.7'), ascii('barnacles'), PNG_HEAD])
    expect(reasonOf(bytes)).toBe('no-picture');
  expect(() => pictureHead(png(100_000, 1000), 'Shore.png')).toThrow(
    /“Shore.png” has 100 megapixels; more than 80 megapixels are not opened/,
  );
});

test('random bytes are a picture or are refused; nothing else is thrown', () => {
  const damaged = fc
    .tuple(fc.constantFrom(jpeg, png(30, 20)), fc.nat(), fc.nat(255), fc.nat())
    .map(([bytes, at, value, cut]) => {
      const other = bytes.slice(0, 1 + (cut % bytes.length));
      other[at % other.length] = value;
      return other;
    });
  fc.assert(
    fc.property(fc.oneof(fc.uint8Array({ maxLength: 200 }), damaged), (bytes) => {
      reasonOf(bytes);
    }),
  );
});

test('what a JPEG tells of place, time and camera goes; colours and pixels stay', () => {
  const told = [0xe1, 0xe5, 0xed, 0xef, 0xfe].map((m) => segment(m, ascii('Ines, 51.2 N')));
  const profile = segment(0xe2, ascii('ICC_PROFILE\0'));
  const stripped = withoutMetadata(withSegments(told[0], profile, ...told.slice(1)), 'jpeg');
  expect([...stripped]).toEqual([...withSegments(profile)]);
  // A second picture that cameras append goes, too.
  expect([...withoutMetadata(joined(jpeg, jpeg), 'jpeg')]).toEqual([...jpeg]);
});

test('what a PNG tells goes; its palette and colours stay', () => {
  const told = ['tEXt', 'iTXt', 'zTXt', 'eXIf', 'tIME'].map((name) => chunk(name, ascii('Ines')));
  const kept = ['sRGB', 'PLTE', 'tRNS', 'IDAT'].map((name) => chunk(name, ascii('x')));
  const whole = png(3, 2, told[0], ...kept, ...told.slice(1));
  expect([...withoutMetadata(whole, 'png')]).toEqual([...png(3, 2, ...kept)]);
});

test('colours that are not those of screens are told apart', () => {
  expect(hasPlainColours(jpeg, 'jpeg')).toBe(true);
  expect(hasPlainColours(withSegments(segment(0xe2, ascii('ICC_PROFILE\0'))), 'jpeg')).toBe(false);
  const frame = jpeg.findIndex((byte, k) => byte === 0xff && jpeg[k + 1] === 0xc0);
  const ofPress = jpeg.slice();
  ofPress[frame + 9] = 4;
  expect(hasPlainColours(ofPress, 'jpeg')).toBe(false);
  const said = (...names: readonly string[]): boolean =>
    hasPlainColours(png(3, 2, ...names.map((name) => chunk(name, ascii('x')))), 'png');
  expect([said(), said('sRGB', 'gAMA', 'cHRM')]).toEqual([true, true]);
  expect([said('iCCP'), said('gAMA'), said('cICP')]).toEqual([false, false, false]);
});

test('cut off anywhere it is refused, or nothing was lost', () => {
  const whole = { jpeg: withSegments(segment(0xe1, ascii('Ines'))), png: png(3, 2) } as const;
  for (const format of ['jpeg', 'png'] as const)
    for (let length = 2; length < whole[format].length; length++)
      expect(() => withoutMetadata(whole[format].slice(0, length), format)).toThrow(RangeError);
});

test('a picture is put upright and whole on any page, near where it was asked for', () => {
  const size = fc.integer({ min: 1, max: 9000 });
  fc.assert(
    fc.property(pageBox, size, size, fc.option(vec), (page, width, height, at) => {
      const seen = displaySize(page);
      const display = displayMatrix(page);
      const place = placeOnPage(page, { width, height }, at);
      const [head, foot] = [
        { x: 0, y: 1 },
        { x: 1, y: 0 },
      ].map((corner) => transform(display, transform(place, corner)));
      const slack = 1e-6 * Math.max(seen.width, seen.height);
      // Upright: its upper left corner is the upper left one as it is seen.
      expect(head.x).toBeLessThan(foot.x);
      expect(head.y).toBeLessThan(foot.y);
      expect(head.x).toBeGreaterThan(-slack);
      expect(head.y).toBeGreaterThan(-slack);
      expect(foot.x).toBeLessThan(seen.width + slack);
      expect(foot.y).toBeLessThan(seen.height + slack);
      const aspect = (foot.x - head.x) / (foot.y - head.y);
      expect(aspect / (width / height)).toBeCloseTo(1, 6);
    }),
  );
});

test('a picture keeps as many pixels as a printer shows in its place', () => {
  const size = { width: 4000, height: 3000 };
  const place = placeOnPage(plainPage(600, 800), size);
  // 360 points across.
  expect(pixelsIn(place, 300)).toEqual({ width: 1500, height: 1125 });
  expect(pixelsIn(place, 300, 2)).toEqual({ width: 3000, height: 2250 });
  expect(pixelsWanted(size, pixelsIn(place, 300))).toEqual({ width: 1500, height: 1125 });
  const small = { width: 80, height: 60 };
  expect(pixelsWanted(small, pixelsIn(place, 300))).toEqual(small);
});
