import type { PDFDocument } from '@cantoo/pdf-lib';
import { utf8 } from '../../marks/index.ts';
import { encryptStrings } from '../library/encryptStrings.ts';
import { dropPdfAClaim } from '../pdfA/claim.ts';

/** Who can open a copy, and what other programs are asked to let them do with it (ISO 32000-2 7.6.4); made by {@link protectionFor}. */
export interface Protection {
  /** What a reader has to type; empty: it opens for everybody. {@link LONGEST_PASSWORD} bytes of UTF-8 at most. */
  readonly password: string;
  /** What lifts the limits beneath; made at random and told to nobody where there are any. */
  readonly ownerPassword: string;
  readonly mayPrint: boolean;
  readonly mayCopy: boolean;
  /** Pages, annotations and fields. */
  readonly mayChange: boolean;
}

/** Bytes of UTF-8 (ISO 32000-2 7.6.4.3.3). */
export const LONGEST_PASSWORD = 127;

/** As programs compare passwords: those that look alike are alike. (Unicode's NFKC is the heart of SASLprep, RFC 4013 2.2.) */
const asPassword = (typed: string): string => typed.normalize('NFKC');

/** Whether a password is too long to be told apart from others that begin with it. */
export const isPasswordTooLong = (typed: string): boolean =>
  utf8(asPassword(typed)).length > LONGEST_PASSWORD;

/** The protection that is asked for. Where something is not allowed `random` lifts that, and nobody is told it; otherwise there is one password. */
export function protectionFor(
  asked: Omit<Protection, 'ownerPassword'>,
  random: string,
): Protection {
  const password = asPassword(asked.password);
  const allowsAll = asked.mayPrint && asked.mayCopy && asked.mayChange;
  return { ...asked, password, ownerPassword: allowsAll ? password : random };
}

/** A password, and nothing forbidden. */
export const lockedWith = (password: string): Protection =>
  protectionFor({ password, mayPrint: true, mayCopy: true, mayChange: true }, '');

/**
 * Has a document encrypted with AES-256 (revision 6) when it is written; reading it aloud is never forbidden.
 * @returns whether it was PDF/A, which cannot be encrypted, and does not say so any more
 * @throws RangeError when the password is too long
 */
export function protect(doc: PDFDocument, asked: Protection): boolean {
  const { password, ownerPassword, mayPrint, mayCopy, mayChange } = asked;
  if (isPasswordTooLong(password)) throw new RangeError('The password is too long.');
  encryptStrings();
  const wasPdfA = dropPdfAClaim(doc);
  doc.encrypt({
    userPassword: password,
    ownerPassword,
    permissions: {
      ...(mayPrint ? { printing: 'highResolution' as const } : {}),
      copying: mayCopy,
      contentAccessibility: true,
      modifying: mayChange,
      annotating: mayChange,
      fillingForms: mayChange,
      documentAssembly: mayChange,
    },
  });
  return wasPdfA;
}
