import { randomBytes, scrypt, type ScryptOptions, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';

/** Cost by which guessing is slow: 32 MB and about 0.1 s a guess. The figures stand beside each hash, so that they can grow. */
const COST = { N: 2 ** 15, r: 8, p: 1 } as const;
const MOST_MEMORY = 256 * 1024 * 1024;
const LENGTH = 32;

const derive = promisify<string, Buffer, number, ScryptOptions, Buffer>(scrypt);

/** A letter is the same however a keyboard puts it together (RFC 8265, OpaqueString). */
const normal = (password: string): string => password.normalize('NFC');

/** What is stored instead of a password, by scrypt (RFC 7914): `scrypt:N:r:p:salt:hash`, the last two in base64url. */
export async function hashPassword(password: string): Promise<string> {
  const salt = randomBytes(16);
  const hash = await derive(normal(password), salt, LENGTH, { ...COST, maxmem: MOST_MEMORY });
  return ['scrypt', COST.N, COST.r, COST.p, encoded(salt), encoded(hash)].join(':');
}

/** Whether it is the password that was hashed; what is no such hash fits none. */
export async function fitsPassword(password: string, stored: string): Promise<boolean> {
  const [kind, n, r, p, salt, hash] = stored.split(':');
  if (kind !== 'scrypt' || !hash) return false;
  const wanted = Buffer.from(hash, 'base64url');
  const cost = { N: Number(n), r: Number(r), p: Number(p), maxmem: MOST_MEMORY };
  const found = await derive(normal(password), Buffer.from(salt, 'base64url'), LENGTH, cost);
  return found.length === wanted.length && timingSafeEqual(found, wanted);
}

const encoded = (bytes: Buffer): string => bytes.toString('base64url');
