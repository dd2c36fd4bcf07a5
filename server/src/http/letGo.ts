import { MOST_LINK_BYTES } from '@marginalis/core/wire';
import type { Request } from 'express';

/** Lets the rest of a refused request come and go, so that its sender hears why; not without end. */
export function letGo(req: Request): void {
  let rest = 0;
  req.on('data', (piece: Buffer) => {
    rest += piece.length;
    if (rest > 2 * MOST_LINK_BYTES) req.destroy();
  });
  req.resume();
}
