import fontkit from '@cantoo/fontkit';
import { PDFName } from '@cantoo/pdf-lib';
import { A4, FONT_FILES, fontBytes, newDocument } from './sheet.ts';
import { fillRings, type Raster, type Ring } from './raster.ts';
import { seededRandom } from '../core/testing/seededRandom.ts';

const TITLE = 'Tide log, scanned';
const DPI = 110;
const WIDTH = Math.round((A4.width * DPI) / 72);
const HEIGHT = Math.round((A4.height * DPI) / 72);
const LEVELS = 16;

interface Glyphs {
  readonly unitsPerEm: number;
  layout(text: string): {
    glyphs: { path: { commands: { command: string; args: number[] }[] }; advanceWidth: number }[];
  };
}

/** Three pages without text: pictures of a typed log, each a little askew, with specks. */
export async function makeTideLog(): Promise<Uint8Array> {
  const { doc } = await newDocument(TITLE);
  const font = (fontkit as unknown as { create(bytes: Uint8Array): Glyphs }).create(
    await fontBytes(FONT_FILES.text),
  );
  for (let p = 0; p < 3; p++) {
    const raster = scan(font, p);
    const page = doc.addPage([A4.width, A4.height]);
    const image = doc.context.register(
      doc.context.flateStream(packed(raster), {
        Type: 'XObject',
        Subtype: 'Image',
        Width: WIDTH,
        Height: HEIGHT,
        ColorSpace: 'DeviceGray',
        BitsPerComponent: 4,
      }),
    );
    page.node.set(PDFName.of('Resources'), doc.context.obj({ XObject: { Scan: image } }));
    const place = `q ${A4.width} 0 0 ${A4.height} 0 0 cm /Scan Do Q`;
    page.node.set(PDFName.of('Contents'), doc.context.register(doc.context.flateStream(place)));
  }
  return doc.save();
}

function scan(font: Glyphs, p: number): Raster {
  const random = seededRandom(1000 + p);
  const raster: Raster = {
    width: WIDTH,
    height: HEIGHT,
    pixels: new Uint8Array(WIDTH * HEIGHT).fill(238),
  };
  const skew = [0.012, -0.009, 0.016][p];
  const place = (x: number, y: number): [number, number] => {
    const dx = x - A4.width / 2;
    const dy = y - A4.height / 2;
    return [
      ((A4.width / 2 + dx * Math.cos(skew) - dy * Math.sin(skew)) * DPI) / 72,
      ((A4.height / 2 + dx * Math.sin(skew) + dy * Math.cos(skew)) * DPI) / 72,
    ];
  };
  const write = (text: string, x: number, y: number, size: number): void => {
    let pen = x;
    const k = size / font.unitsPerEm;
    for (const glyph of font.layout(text).glyphs) {
      const rings = ringsOf(glyph.path.commands).map((ring) =>
        ring.map(([gx, gy]) => place(pen + gx * k, y - gy * k)),
      );
      if (rings.length > 0) fillRings(raster, rings, 46 + Math.floor(random() * 26));
      pen += glyph.advanceWidth * k;
    }
  };
  write(`Tide log, sheet ${p + 1}`, 64, 96, 22);
  write('Saltmarsh Field Station, gauge at the lower slip', 64, 122, 11);
  const heads = ['Day', 'High water', 'Metres', 'Low water', 'Metres', 'Wind'];
  const columns = [64, 118, 208, 280, 368, 440];
  heads.forEach((text, i) => write(text, columns[i], 160, 11));
  for (let row = 0; row < 27; row++) {
    const y = 186 + row * 22;
    const day = p * 27 + row + 1;
    const high = (row * 0.84 + p * 3.1) % 12.4;
    const clock = (h: number): string =>
      `${String(Math.floor(h)).padStart(2, '0')}.${String(Math.floor((h % 1) * 60)).padStart(2, '0')}`;
    const range = 1.1 + 0.6 * Math.cos((day * 2 * Math.PI) / 14.8);
    const cells = [
      String(day),
      clock(high),
      (2.6 + range).toFixed(1),
      clock(high + 6.2),
      (2.6 - range).toFixed(1),
      ['W 3', 'SW 4', 'NW 2', 'calm', 'E 3'][Math.floor(random() * 5)],
    ];
    cells.forEach((text, i) => write(text, columns[i], y, 11.5));
    fillRings(
      raster,
      [[place(60, y + 6), place(530, y + 6), place(530, y + 6.6), place(60, y + 6.6)]],
      150,
    );
  }
  for (let i = 0; i < 2600; i++) {
    const at = Math.floor(random() * raster.pixels.length);
    raster.pixels[at] = Math.floor(90 + random() * 120);
  }
  return raster;
}

function ringsOf(commands: readonly { command: string; args: number[] }[]): Ring[] {
  const rings: [number, number][][] = [];
  let last: [number, number] = [0, 0];
  for (const { command, args } of commands) {
    const ring = rings[rings.length - 1];
    if (command === 'moveTo') rings.push([[args[0], args[1]]]);
    else if (command === 'lineTo') ring.push([args[0], args[1]]);
    else if (command === 'quadraticCurveTo')
      for (let k = 1; k <= 4; k++) {
        const t = k / 4;
        const u = 1 - t;
        ring.push([
          u * u * last[0] + 2 * u * t * args[0] + t * t * args[2],
          u * u * last[1] + 2 * u * t * args[1] + t * t * args[3],
        ]);
      }
    if (args.length >= 2) last = [args[args.length - 2], args[args.length - 1]];
  }
  return rings.filter((r) => r.length > 2);
}

/** Two pixels a byte, 16 levels of grey. */
function packed({ pixels }: Raster): Uint8Array {
  const level = (v: number): number => Math.min(LEVELS - 1, Math.round((v * (LEVELS - 1)) / 255));
  const bytes = new Uint8Array(Math.ceil(WIDTH / 2) * HEIGHT);
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++) {
      const at = y * Math.ceil(WIDTH / 2) + (x >> 1);
      bytes[at] |= level(pixels[y * WIDTH + x]) << (x % 2 === 0 ? 4 : 0);
    }
  return bytes;
}
