import { createCanvas } from '@napi-rs/canvas';

/** The colours of a photograph's quarters: upper left, upper right, lower left, lower right. */
export const QUARTERS = ['#c0392b', '#27ae60', '#2456a8', '#e0b020'] as const;

/** A photograph as a camera stores it, JPEG: a shade over four quarters of different colours. */
export function photograph(width: number, height: number): Buffer {
  const canvas = createCanvas(width, height);
  const ctx = canvas.getContext('2d');
  QUARTERS.forEach((colour, k) => {
    ctx.fillStyle = colour;
    ctx.fillRect((k % 2) * (width / 2), Math.floor(k / 2) * (height / 2), width / 2, height / 2);
  });
  const shade = ctx.createLinearGradient(0, 0, width, height);
  shade.addColorStop(0, 'rgba(255,255,255,0.25)');
  shade.addColorStop(1, 'rgba(0,0,0,0.25)');
  ctx.fillStyle = shade;
  ctx.fillRect(0, 0, width, height);
  return canvas.toBuffer('image/jpeg', 90);
}

/** What is told of a photograph beside its pixels, to be found, or not, in files. */
export const TOLD_OF_IT = 'Camera of Ines Mara';

/**
 * The same JPEG as its camera was held (EXIF 2.3, tag 0x0112, 1–8), with the name of the camera (0x010f): an APP1 segment of a TIFF head and
 * one directory.
 */
export function held(jpeg: Buffer, orientation: number): Buffer {
  const make = Buffer.from(`${TOLD_OF_IT}\0`, 'latin1');
  const tiff = Buffer.alloc(8 + 2 + 2 * 12 + 4 + make.length);
  tiff.write('II*\0', 0, 'latin1');
  tiff.writeUInt32LE(8, 4);
  tiff.writeUInt16LE(2, 8);
  const entry = (at: number, tag: number, type: number, count: number, value: number): void => {
    tiff.writeUInt16LE(tag, at);
    tiff.writeUInt16LE(type, at + 2);
    tiff.writeUInt32LE(count, at + 4);
    tiff.writeUInt32LE(value, at + 8);
  };
  entry(10, 0x010f, 2, make.length, 38);
  entry(22, 0x0112, 3, 1, orientation);
  make.copy(tiff, 38);
  const body = Buffer.concat([Buffer.from('Exif\0\0', 'latin1'), tiff]);
  const head = Buffer.from([0xff, 0xe1, 0, 0]);
  head.writeUInt16BE(body.length + 2, 2);
  return Buffer.concat([jpeg.subarray(0, 2), head, body, jpeg.subarray(2)]);
}
