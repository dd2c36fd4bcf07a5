import { type MailRequest, type MailWay, mailWaySchema } from '@marginalis/core/wire';
import type { Schema } from 'yup';
import { ask, askJson } from './server';

/** How the server sends mail, if at all. */
export const readMailWay = (): Promise<MailWay> =>
  askJson<MailWay>(mailWaySchema as Schema<MailWay>, '/api/mail');

/** Has the server send a mail with a file. @throws ServerError */
export const sendMail = async (mail: MailRequest, file: File): Promise<void> => {
  const parts = new FormData();
  parts.set('mail', JSON.stringify(mail));
  parts.set('file', file, file.name);
  await ask('/api/mail', { method: 'POST', body: parts });
};
