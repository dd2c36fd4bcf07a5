import { type MailRequest, mailRequestSchema, MOST_MAIL_BYTES } from '@marginalis/core/wire';
import type { Request } from 'express';
import { ValidationError } from 'yup';
import { nameOfSent } from '../http/sentFile.ts';
import type { Attachment } from './mailer.ts';

/** Thrown when what is to be attached is more than a mail may hold. */
export class MailTooLarge extends Error {
  override readonly name = 'MailTooLarge';
}

/** Besides the file: what the mail says, and what stands between the parts. */
const AROUND = 64 * 1024;

async function bodyOf(req: Request): Promise<Buffer> {
  const pieces: Buffer[] = [];
  let size = 0;
  for await (const piece of req.iterator({ destroyOnReturn: false })) {
    size += (piece as Buffer).length;
    if (size > MOST_MAIL_BYTES + AROUND) throw new MailTooLarge('Too large.');
    pieces.push(piece as Buffer);
  }
  return Buffer.concat(pieces);
}

/** The mail and the file of a request in parts (multipart/form-data). @throws ValidationError, MailTooLarge */
export async function receiveMail(
  req: Request,
): Promise<{ mail: MailRequest; attachment: Attachment }> {
  const type = req.get('content-type') ?? '';
  if (!/^multipart\/form-data;/i.test(type)) throw new ValidationError('it does not come in parts');
  if (Number(req.get('content-length') ?? 0) > MOST_MAIL_BYTES + AROUND)
    throw new MailTooLarge('Too large.');
  const body = new Uint8Array(await bodyOf(req));
  let parts: FormData;
  try {
    parts = await new Response(body, { headers: { 'content-type': type } }).formData();
  } catch {
    throw new ValidationError('its parts cannot be read');
  }
  const [said, file] = [parts.get('mail'), parts.get('file')];
  if (typeof said !== 'string' || !(file instanceof Blob))
    throw new ValidationError('a part is missing');
  const name = nameOfSent(file.name, file.type);
  if (!name) throw new ValidationError('a file of this kind is not sent by mail');
  if (file.size > MOST_MAIL_BYTES) throw new MailTooLarge('Too large.');
  let value: unknown;
  try {
    value = JSON.parse(said);
  } catch {
    throw new ValidationError('what it says cannot be read');
  }
  const mail = await mailRequestSchema.validate(value, { strict: true });
  const bytes = Buffer.from(await file.arrayBuffer());
  return { mail, attachment: { name, type: file.type, bytes } };
}
