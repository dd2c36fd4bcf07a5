import { createCanvas, ImageData, loadImage, Path2D, type SKRSContext2D } from '@napi-rs/canvas';
import type { CopyFonts } from '@marginalis/core/copy';
import { canvasPainter, type PixelKit, type ProofPainter } from '@marginalis/core/proof';

const kit: PixelKit<SKRSContext2D> = {
  path: () => new Path2D(),
  canvas(width, height) {
    const canvas = createCanvas(width, height);
    return { image: canvas, ctx: canvas.getContext('2d'), drop: () => undefined };
  },
  imageData: ({ data, width, height }) => new ImageData(data, width, height),
};

/** Paints outside a browser, with the same painter; `picture` gives the bytes of a picture by its name. */
export const painterFor = (
  fonts: CopyFonts,
  picture: (source: string) => Uint8Array | null = () => null,
): ProofPainter =>
  canvasPainter(kit, {
    fonts,
    picture: async (source) => {
      const bytes = picture(source);
      return bytes && loadImage(Buffer.from(bytes));
    },
  });
