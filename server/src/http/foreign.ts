import type { Response } from 'express';

/**
 * Readies an answer for bytes that somebody else brought: the type is ours to say, whatever they are or are called; no
 * browser guesses another, and should one show them, they may load and run nothing.
 */
export function asForeignBytes(res: Response, type: string, fileName: string): void {
  res.attachment(fileName);
  res.set({
    'content-type': type,
    'x-content-type-options': 'nosniff',
    'content-security-policy': "default-src 'none'; sandbox; frame-ancestors 'none'",
    'cross-origin-resource-policy': 'same-origin',
    'cache-control': 'no-store',
  });
}
