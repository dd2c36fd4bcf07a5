import { createTransport } from 'nodemailer';
import { array, type InferType, number, object, string } from 'yup';
import { composed } from '../mail/composed.ts';
import type { Mailer } from '../mail/mailer.ts';
import { type KeptFiles, openKeptFiles } from './keptFiles.ts';

/** What is shown of a mail; `attached` is the name of the file that goes with it, `size` its bytes. */
const schema = object({
  at: number().required(),
  to: array(string().required()).required(),
  subject: string().required(),
  text: string().defined(),
  attached: string().required(),
  size: number().required(),
});
export type OutboxEntry = InferType<typeof schema> & { readonly id: string };

/** A simulated mail service: mail is composed in full and kept, as it would have left (RFC 5322), and goes nowhere. */
export interface Outbox extends Mailer, Omit<KeptFiles<InferType<typeof schema>>, 'keep'> {}

/** Mails it keeps; those before them it forgets. */
const MOST_KEPT = 50;
const FROM = { name: 'Marginalis', address: 'outbox@marginalis.invalid' };

/** Keeps mails in a folder, each as an `.eml` file with a record beside it. */
export async function openOutbox(at: string, now: () => number): Promise<Outbox> {
  const files = await openKeptFiles(at, { schema, ending: 'eml', most: MOST_KEPT, now });
  const transport = createTransport({ streamTransport: true, buffer: true, newline: 'windows' });
  return {
    by: 'outbox',
    async send(mail, attachment) {
      const from = `${FROM.name} <${FROM.address}>`;
      const { message } = await transport.sendMail(composed(mail, attachment, from));
      const { to, subject, text } = mail;
      const [attached, size] = [attachment.name, attachment.bytes.length];
      await files.keep({ at: now(), to, subject, text, attached, size }, message as Buffer);
    },
    list: () => files.list(),
    read: (id) => files.read(id),
  };
}
