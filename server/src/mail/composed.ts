import type { MailRequest } from '@marginalis/core/wire';
import type { SendMailOptions } from 'nodemailer';
import type { Attachment } from './mailer.ts';

/** A mail as the library that composes it wants it: nothing in it is read from a file or fetched from an address. */
export const composed = (
  { to, subject, text }: MailRequest,
  { name, type, bytes }: Attachment,
  from: string,
): SendMailOptions => ({
  from,
  to: [...to],
  subject,
  text,
  attachments: [{ filename: name, contentType: type, content: bytes }],
  disableFileAccess: true,
  disableUrlAccess: true,
});
