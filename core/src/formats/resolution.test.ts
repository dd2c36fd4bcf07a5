import { crc32 } from 'node:zlib';
import { PNG } from 'pngjs';
import { withResolution } from './resolution.ts';

const png = new Uint8Array(PNG.sync.write(new PNG({ width: 3, height: 2 })));

test('a PNG says how many pixels a metre has, in a chunk that is sound, and is the same picture', () => {
  const told = withResolution(png, 300);
  const view = new DataView(told.buffer);
  expect(new TextDecoder().decode(told.subarray(37, 41))).toBe('pHYs');
  expect([view.getUint32(41), view.getUint32(45), told[49]]).toEqual([11811, 11811, 1]);
  expect(view.getUint32(50)).toBe(crc32(told.subarray(37, 50)));
  expect(PNG.sync.read(Buffer.from(told)).data).toEqual(PNG.sync.read(Buffer.from(png)).data);
});

test('a JPEG says how many pixels an inch has', () => {
  const head = [
    0xff, 0xd8, 0xff, 0xe0, 0, 16, 0x4a, 0x46, 0x49, 0x46, 0, 1, 1, 0, 0, 1, 0, 1, 0, 0,
  ];
  const told = withResolution(Uint8Array.from(head), 150);
  expect([...told.subarray(13, 18)]).toEqual([1, 0, 150, 0, 150]);
});

test('what is neither stays as it is', () => {
  for (const bytes of [Uint8Array.of(), Uint8Array.of(1, 2, 3), png.subarray(0, 20)])
    expect(withResolution(bytes, 96)).toBe(bytes);
});
