import type { MailRequest } from '@marginalis/core/wire';

/** A file that goes with a mail. */
export interface Attachment {
  readonly name: string;
  readonly type: string;
  readonly bytes: Buffer;
}

/** Thrown when a mail could not be handed on; the message is for people. */
export class MailRefused extends Error {
  override readonly name = 'MailRefused';
}

/** What mail leaves by. */
export interface Mailer {
  readonly by: 'outbox' | 'service';
  /** @throws MailRefused */
  send(mail: MailRequest, attachment: Attachment): Promise<void>;
}
