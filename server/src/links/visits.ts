import { createHmac, timingSafeEqual } from 'node:crypto';

/** How long a guest who has given the password is let in without it, ms. */
export const VISIT = 12 * 3600 * 1000;
/** The cookie a visit is kept in. */
export const VISIT_COOKIE = 'visit';

const sign = (key: string, hash: string, until: number): Buffer =>
  createHmac('sha256', Buffer.from(key, 'hex')).update(`${hash}.${until}`).digest();

/**
 * What a guest shows who was let in: `until.signature`. Nothing of it is kept here: any server that reads the link's
 * record knows it. `hash` is that of the link's token.
 */
export const newVisit = (key: string, hash: string, now: number): string => {
  const until = now + VISIT;
  return `${until}.${sign(key, hash, until).toString('base64url')}`;
};

/** Whether somebody was let in, and still is. */
export function isVisit(
  visit: string | undefined,
  key: string,
  hash: string,
  now: number,
): boolean {
  const [until, signature] = (visit ?? '').split('.');
  if (!key || !signature || !/^\d{1,16}$/.test(until) || Number(until) <= now) return false;
  const given = Buffer.from(signature, 'base64url');
  const right = sign(key, hash, Number(until));
  return given.length === right.length && timingSafeEqual(given, right);
}
