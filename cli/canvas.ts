import { createCanvas, ImageData, loadImage, Path2D, type SKRSContext2D } from '@napi-rs/canvas';
import type { CopyFonts } from '@marginalis/core/copy';
import type { DocState } from '@marginalis/core/document';
import { canvasPainter, type PixelKit, type ProofPainter } from '@marginalis/core/proof';

const kit: PixelKit<SKRSContext2D> = {
  path: () => new Path2D(),
  canvas(width, height) {
    const canvas = createCanvas(width, height);
    return { image: canvas, ctx: canvas.getContext('2d'), drop: () => undefined };
  },
  imageData: (width, height) => new ImageData(width, height),
};

/** Paints outside a browser, with the same painter. */
export const painterFor = (fonts: CopyFonts, attachments: DocState['attachments']): ProofPainter =>
  canvasPainter(kit, {
    fonts,
    picture: async (id) => {
      const attachment = attachments.get(id);
      return attachment ? loadImage(Buffer.from(attachment.data, 'base64')) : null;
    },
  });
