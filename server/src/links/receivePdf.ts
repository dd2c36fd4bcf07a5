import type { Request } from 'express';
import { HEADER_REACH, hasPdfHeader } from '@marginalis/core/document';
import { MOST_LINK_BYTES } from '@marginalis/core/wire';

/** Thrown when what is sent is no PDF. */
export class NotPdf extends Error {
  override readonly name = 'NotPdf';
}

/** Thrown when what is sent is more than a link may hold. */
export class TooLarge extends Error {
  override readonly name = 'TooLarge';
}

/**
 * The bytes of a request as they come, none of them held back for longer than it takes to see that they begin like a
 * PDF. @throws NotPdf, TooLarge
 */
export async function* receivePdf(req: Request): AsyncGenerator<Buffer> {
  if (!req.is('application/pdf') || req.get('content-encoding') !== undefined)
    throw new NotPdf('This is not sent as a PDF.');
  if (Number(req.get('content-length') ?? 0) > MOST_LINK_BYTES) throw new TooLarge('Too large.');
  let size = 0;
  let start: Buffer | null = Buffer.alloc(0);
  // The stream stays open when it is left early: the refusal goes out over the same connection.
  for await (const piece of req.iterator({ destroyOnReturn: false })) {
    const bytes = piece as Buffer;
    size += bytes.length;
    if (size > MOST_LINK_BYTES) throw new TooLarge('Too large.');
    if (!start) {
      yield bytes;
      continue;
    }
    start = Buffer.concat([start, bytes]);
    if (start.length < HEADER_REACH) continue;
    requirePdf(start);
    yield start;
    start = null;
  }
  if (start) {
    requirePdf(start);
    yield start;
  }
}

function requirePdf(start: Buffer): void {
  if (!hasPdfHeader(start)) throw new NotPdf('This is no PDF.');
}
