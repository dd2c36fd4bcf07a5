import { randomUUID } from 'node:crypto';
import { asPassword, isPasswordTooLong, type Protection } from '@marginalis/core/pdf';
import { CommandError, EXIT } from './io.ts';

const DEEDS = ['print', 'copy', 'change'] as const;

/** Who can open a copy, by `--lock PASSWORD` and `--forbid print,copy,change`; null where neither is said. */
export function protectionOf(
  lock: string | undefined,
  forbid: string | undefined,
): Protection | null {
  if (lock === undefined && forbid === undefined) return null;
  const password = asPassword(lock ?? '');
  if (isPasswordTooLong(password))
    throw new CommandError(EXIT.wrongCall, 'This password is too long.');
  const forbidden = new Set(forbid?.split(',').map((deed) => deed.trim()));
  for (const deed of forbidden)
    if (!(DEEDS as readonly string[]).includes(deed))
      throw new CommandError(EXIT.wrongCall, `Nothing called “${deed}” can be forbidden.`);
  return {
    password,
    ownerPassword: forbidden.size === 0 ? password : randomUUID(),
    mayPrint: !forbidden.has('print'),
    mayCopy: !forbidden.has('copy'),
    mayChange: !forbidden.has('change'),
  };
}
