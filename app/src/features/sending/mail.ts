import { addressesIn, MOST_MAIL_BYTES } from '@marginalis/core/wire';
import { sendMail, ServerError } from '@/remote';
import { sizeInWords } from '@/ui';
import { startWork } from '@/work';
import type { MailTerms } from './mailTerms';

const TOO_LARGE = `This file is larger than ${sizeInWords(MOST_MAIL_BYTES)}, the most a mail can carry. Send a link instead.`;

/** The mail as a file that a mail program opens, with the file attached; why there is none, in words. */
export async function mailFile(terms: MailTerms, file: File): Promise<File | string> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const { subject, text, to } = terms;
  const attachment = { name: file.name, type: file.type, bytes };
  const mail = { to: addressesIn(to), subject, text, attachment };
  const work = startWork('writeMail', { mail, at: Date.now(), unique: crypto.randomUUID() });
  const written = await work.result;
  if (!written.ok)
    return written.failure.kind === 'stopped' ? 'It was stopped.' : written.failure.message;
  return new File([written.value], file.name.replace(/\.[a-z]+$/, '.eml'), {
    type: 'message/rfc822',
  });
}

/** Has the server send it. What went wrong, in words; null when it has left. */
export async function mailByServer(terms: MailTerms, file: File): Promise<string | null> {
  if (file.size > MOST_MAIL_BYTES) return TOO_LARGE;
  const { subject, text, to } = terms;
  try {
    await sendMail({ to: addressesIn(to), subject: subject.trim(), text }, file);
    return null;
  } catch (e) {
    if (e instanceof ServerError) return e.message;
    throw e;
  }
}
