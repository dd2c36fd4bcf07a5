import { isPasswordTooLong, type Protection, protectionFor } from '@marginalis/core/pdf';
import type { Asked } from './asked';

/** What is asked of a copy's protection. */
export interface ProtectionTerms extends Omit<Protection, 'ownerPassword'> {
  readonly on: boolean;
}

/** As it is asked for where it is asked for at all: with the password of the original, where that has one. */
export const firstProtection = (password: string | undefined): ProtectionTerms => ({
  on: false,
  password: password ?? '',
  mayPrint: true,
  mayCopy: true,
  mayChange: true,
});

/** Whether what leaves so can be protected: a link has a password of its own, and paper none. */
export const canProtect = (as: Asked['as'], how: Asked['how']): boolean =>
  (as === 'fixed' || as === 'living') && how !== 'link' && how !== 'print';

const allowsAll = ({ mayPrint, mayCopy, mayChange }: ProtectionTerms): boolean =>
  mayPrint && mayCopy && mayChange;

/** Why a copy cannot be protected so, in words; null where it can. */
export function troubleOfProtection(terms: ProtectionTerms): string | null {
  const { on, password } = terms;
  if (!on) return null;
  if (isPasswordTooLong(password)) return 'This password is too long: 127 letters are the most.';
  if (password === '' && allowsAll(terms)) return 'Set a password, or switch something off.';
  return null;
}

/** What is asked for; null where nothing is, or nothing that can be. */
export function protectionOf(terms: ProtectionTerms): Protection | null {
  const { on, ...asked } = terms;
  return on && !troubleOfProtection(terms) ? protectionFor(asked, crypto.randomUUID()) : null;
}
