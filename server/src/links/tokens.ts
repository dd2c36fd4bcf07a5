import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';

/** 256 random bits in base64url: 43 characters. */
export const newToken = (): string => randomBytes(32).toString('base64url');

/** What is stored instead of a token; SHA-256 is enough for a secret with 256 bits of its own. */
export const hashToken = (token: string): string =>
  createHash('sha256').update(token).digest('hex');

/** Compares a token with a stored hash, in time that tells nothing. */
export const matchesHash = (token: string, hash: string): boolean =>
  timingSafeEqual(Buffer.from(hashToken(token), 'hex'), Buffer.from(hash, 'hex'));
