import { addressesIn, mailAddressesSchema } from '@marginalis/core/wire';
import { ValidationError } from 'yup';

/** What a mail says, as it is typed. */
export interface MailTerms {
  /** Addresses, with commas or blanks between. */
  readonly to: string;
  readonly subject: string;
  readonly text: string;
  /** A file for a mail program, or sent by the server. */
  readonly by: 'file' | 'server';
}

export const firstMail = (title: string): MailTerms => ({
  to: '',
  subject: title,
  text: `Here is “${title}” with marks on it.\n`,
  by: 'file',
});

/** Why a mail cannot leave as it is typed, in words; null where it can. A file for a mail program needs no address yet. */
export function troubleOf({ to, subject, by }: MailTerms): string | null {
  const addresses = addressesIn(to);
  if (by === 'server' && addresses.length === 0) return 'Write an address.';
  if (subject.trim() === '') return 'Write a subject.';
  try {
    mailAddressesSchema.validateSync(addresses);
    return null;
  } catch (e) {
    if (!(e instanceof ValidationError)) throw e;
    return `${e.message.charAt(0).toUpperCase()}${e.message.slice(1)}.`;
  }
}
