import { NotSimple } from '@marginalis/core/graphics';
import { readSvg, type ReadSvg } from '@marginalis/core/svg';

/** What a drawing in SVG draws, as outlines; null where it is not simple, and is to be drawn as a picture. */
export async function readGraphic(ask: {
  readonly svg: Uint8Array;
  readonly width: number;
  readonly height: number;
}): Promise<ReadSvg | null> {
  try {
    return readSvg(new TextDecoder().decode(ask.svg), ask);
  } catch (e) {
    // Nested deeper than can be followed.
    if (e instanceof NotSimple || e instanceof RangeError) return null;
    throw e;
  }
}
