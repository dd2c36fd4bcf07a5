import { randomUUID } from 'node:crypto';
import { isPasswordTooLong, type Protection, protectionFor } from '@marginalis/core/pdf';
import { CommandError, EXIT } from './io.ts';

const DEEDS = ['print', 'copy', 'change'] as const;

/** Who can open a copy, by `--lock PASSWORD` and `--forbid print,copy,change`; null where neither is said. */
export function protectionOf(
  lock: string | undefined,
  forbid: string | undefined,
): Protection | null {
  if (lock === undefined && forbid === undefined) return null;
  const password = lock ?? '';
  if (isPasswordTooLong(password))
    throw new CommandError(EXIT.wrongCall, 'This password is too long.');
  const forbidden = new Set(forbid?.split(',').map((deed) => deed.trim()));
  for (const deed of forbidden)
    if (!(DEEDS as readonly string[]).includes(deed))
      throw new CommandError(EXIT.wrongCall, `Nothing called “${deed}” can be forbidden.`);
  const asked = {
    password,
    mayPrint: !forbidden.has('print'),
    mayCopy: !forbidden.has('copy'),
    mayChange: !forbidden.has('change'),
  };
  return protectionFor(asked, randomUUID());
}
