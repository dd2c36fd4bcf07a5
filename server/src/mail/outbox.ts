import { randomUUID } from 'node:crypto';
import { mkdir, readdir, readFile, rename, rm, writeFile } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { createTransport } from 'nodemailer';
import { array, number, object, string, ValidationError } from 'yup';
import { composed } from './composed.ts';
import type { Mailer } from './mailer.ts';

const shape = object({
  at: number().required(),
  to: array(string().required()).required(),
  subject: string().required(),
  text: string().defined(),
  attached: string().required(),
  size: number().required(),
});

/** What is shown of a mail. */
export interface OutboxEntry {
  readonly id: string;
  readonly at: number;
  readonly to: readonly string[];
  readonly subject: string;
  readonly text: string;
  /** The name of the file that goes with it, and its bytes. */
  readonly attached: string;
  readonly size: number;
}

/** A simulated mail service: mail is composed in full and kept, and goes nowhere. */
export interface Outbox extends Mailer {
  /** The last first. */
  list(): Promise<OutboxEntry[]>;
  /** The mail as it would have left (RFC 5322); null where there is none. */
  read(id: string): Promise<Buffer | null>;
}

/** Null for what is no record: it is passed over. */
function readEntry(text: string): Omit<OutboxEntry, 'id'> | null {
  try {
    return shape.validateSync(JSON.parse(text));
  } catch (e) {
    if (e instanceof ValidationError || e instanceof SyntaxError) return null;
    throw e;
  }
}

/** Mails it keeps; those before them it forgets. */
const MOST_KEPT = 50;
const ID = /^\d{16}-[0-9a-f-]{36}$/;
const FROM = { name: 'Marginalis', address: 'outbox@marginalis.invalid' };

/** Keeps mails in a folder, each as an `.eml` file with a record beside it. */
export async function openOutbox(at: string, now: () => number): Promise<Outbox> {
  const folder = resolve(at);
  await mkdir(folder, { recursive: true });
  const transport = createTransport({ streamTransport: true, buffer: true, newline: 'windows' });
  const ids = async (): Promise<string[]> =>
    (await readdir(folder))
      .filter((name) => name.endsWith('.json'))
      .map((name) => name.slice(0, -'.json'.length))
      .filter((id) => ID.test(id))
      .sort()
      .reverse();
  return {
    by: 'outbox',
    async send(mail, attachment) {
      const id = `${String(now()).padStart(16, '0')}-${randomUUID()}`;
      const from = `${FROM.name} <${FROM.address}>`;
      const { message } = await transport.sendMail(composed(mail, attachment, from));
      const record = {
        ...{ at: now(), to: mail.to, subject: mail.subject, text: mail.text },
        ...{ attached: attachment.name, size: attachment.bytes.length },
      };
      await writeFile(join(folder, `${id}.eml`), message as Buffer);
      // The record last, and whole or not at all: what is listed is there.
      await writeFile(join(folder, `${id}.part`), JSON.stringify(record));
      await rename(join(folder, `${id}.part`), join(folder, `${id}.json`));
      for (const old of (await ids()).slice(MOST_KEPT))
        for (const ending of ['json', 'eml'])
          await rm(join(folder, `${old}.${ending}`), { force: true });
    },
    async list() {
      const entries: OutboxEntry[] = [];
      for (const id of await ids()) {
        const entry = readEntry(await readFile(join(folder, `${id}.json`), 'utf8'));
        if (entry) entries.push({ id, ...entry });
      }
      return entries;
    },
    async read(id) {
      if (!ID.test(id) || !(await ids()).includes(id)) return null;
      return readFile(join(folder, `${id}.eml`));
    },
  };
}
