import { type Canvas, createCanvas, ImageData } from '@napi-rs/canvas';
import type { MadeSmaller, PictureTools, Pixels, Smaller } from '@marginalis/core/pdf';
import { drawFirst } from '@marginalis/core/pdfium';
import { CommandError, EXIT } from './io.ts';
import { startPdfium } from './pdfium.ts';

/** How faithful a JPEG is, 0–100. */
const QUALITY = 80;
const [LEAST, MOST] = [36, 600];

/** How a copy is made smaller, by `--smaller DPI`; null where it is not said. */
export async function smallerOf(asked: string | undefined): Promise<Smaller | null> {
  if (asked === undefined) return null;
  const dpi = Number(asked);
  if (!(dpi >= LEAST && dpi <= MOST))
    throw new CommandError(EXIT.wrongCall, `Pictures can have ${LEAST} to ${MOST} dots an inch.`);
  return { dpi, tools: await pictureTools() };
}

/** What is told of it: how much, not where. */
export const toldOfSmaller = (made: MadeSmaller | null) =>
  made && { pictures: made.pictures, saved: made.saved };

/** What draws pictures is started only where one is to be drawn. */
export const draw: PictureTools['draw'] = async (...asked) => (await pictureTools()).draw(...asked);

/** Draws and packs pictures outside a browser. */
export async function pictureTools(): Promise<PictureTools> {
  const pdfium = await startPdfium();
  const canvasOf = ({ width, height, data }: Pixels): Canvas => {
    const canvas = createCanvas(width, height);
    canvas.getContext('2d').putImageData(new ImageData(data, width, height), 0, 0);
    return canvas;
  };
  return {
    draw: async (pdf, width, height, onNothing) => drawFirst(pdfium, pdf, width, height, onNothing),
    jpeg: async (pixels) => new Uint8Array(await canvasOf(pixels).encode('jpeg', QUALITY)),
    png: async (pixels) => new Uint8Array(await canvasOf(pixels).encode('png')),
  };
}
