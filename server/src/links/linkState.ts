import { isExpired, TOKEN_PATTERN } from '@marginalis/core/wire';
import type { LinkRecord } from './linkRecord.ts';
import type { LinkStore } from './linkStore.ts';
import { hashToken } from './tokens.ts';

/** How a token stands: a record that may be used, or the status and words of the refusal. */
export type LinkState =
  | { readonly ok: true; readonly hash: string; readonly record: LinkRecord }
  | { readonly ok: false; readonly status: 400 | 404 | 410; readonly message: string };

export async function stateOfLink(
  store: LinkStore,
  token: string,
  now: number,
): Promise<LinkState> {
  if (!TOKEN_PATTERN.test(token))
    return {
      ok: false,
      status: 400,
      message: 'This link is not complete. Copy it again, from its first character to its last.',
    };
  const hash = hashToken(token);
  const record = await store.find(hash);
  if (!record)
    return {
      ok: false,
      status: 404,
      message: 'This link leads to nothing. It may have been mistyped, or it is long past.',
    };
  if (record.withdrawnAt !== null)
    return {
      ok: false,
      status: 410,
      message: 'This link was withdrawn by the person who made it.',
    };
  if (isExpired(record, now))
    return {
      ok: false,
      status: 410,
      message: 'This link has expired. Ask the person who sent it for a new one.',
    };
  return { ok: true, hash, record };
}
