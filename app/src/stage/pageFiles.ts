import type { Drawing } from '@marginalis/core/drawing';
import type { DrawingFiles } from './paintDrawing';
import { pageFonts } from './pageFonts';
import { pagePictures } from './pagePictures';

/** What drawings of pages refer to: faces and pictures, each loaded once. */
export const pageFiles: DrawingFiles = { fonts: pageFonts, picture: pagePictures.picture };

/** A drawing with all its text in glyphs, and its pictures at hand. Rejects when a face cannot be loaded. */
export async function settleFiles(drawing: Drawing): Promise<Drawing> {
  const [settled] = await Promise.all([
    pageFonts.settleDrawing(drawing),
    pagePictures.settle(drawing),
  ]);
  return settled;
}
