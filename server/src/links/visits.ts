import { createHmac, timingSafeEqual } from 'node:crypto';

/** How long a guest who has given the password is let in without it, ms. */
export const VISIT = 12 * 3600 * 1000;
/** The cookie a visit is kept in. */
export const VISIT_COOKIE = 'visit';

const sign = (key: string, hash: string, said: string): Buffer =>
  createHmac('sha256', Buffer.from(key, 'hex')).update(`${hash}.${said}`).digest();

/** Somebody who was let in. */
export interface Guest {
  /** As they said it; empty where nobody asked. */
  readonly name: string;
}

/**
 * What a guest shows who was let in: `until.name.signature`. Nothing of it is kept here: any server that reads the
 * link's record knows it. `hash` is that of the link's token.
 */
export const newVisit = (key: string, hash: string, now: number, name: string): string => {
  const said = `${now + VISIT}.${Buffer.from(name).toString('base64url')}`;
  return `${said}.${sign(key, hash, said).toString('base64url')}`;
};

/** Who was let in, and still is; null for anybody else. */
export function readVisit(
  visit: string | undefined,
  key: string,
  hash: string,
  now: number,
): Guest | null {
  const [until, name, signature] = (visit ?? '').split('.');
  if (!key || !signature || !/^\d{1,16}$/.test(until) || Number(until) <= now) return null;
  const given = Buffer.from(signature, 'base64url');
  const right = sign(key, hash, `${until}.${name}`);
  if (given.length !== right.length || !timingSafeEqual(given, right)) return null;
  return { name: Buffer.from(name, 'base64url').toString() };
}
