import { toBase64, utf8 } from '../../marks/index.ts';
import { headerText, parameter } from './headers.ts';

/** A message that somebody is going to look at and send. */
export interface Mail {
  /** Addresses; may be none yet. */
  readonly to: readonly string[];
  readonly subject: string;
  readonly text: string;
  readonly attachment: { readonly name: string; readonly type: string; readonly bytes: Uint8Array };
}

/**
 * The message as a file that mail programs open (`.eml`, RFC 5322 and MIME, RFC 2045 to 2047 and 2231), all of it ASCII. It
 * says of itself that it is not sent yet (`X-Unsent`: common practice, no source), and has no sender: that is whoever
 * sends it.
 * @param at ms since 1970
 * @param unique letters and digits that occur nowhere else, from which the boundary between its parts is made
 */
export function writeMail(mail: Mail, at: number, unique: string): string {
  const { to, subject, text, attachment } = mail;
  const boundary = `=_${unique.replace(/[^A-Za-z0-9]/g, '').slice(0, 60)}`;
  return [
    'X-Unsent: 1',
    `Date: ${dateOf(at)}`,
    ...(to.length > 0 ? [`To: ${to.join(',\r\n ')}`] : []),
    `Subject: ${headerText(subject)}`,
    'MIME-Version: 1.0',
    `Content-Type: multipart/mixed; boundary="${boundary}"`,
    '',
    `--${boundary}`,
    'Content-Type: text/plain; charset=utf-8',
    'Content-Transfer-Encoding: base64',
    '',
    // Lines of a text end in CR LF whatever it is written with (RFC 2046, 4.1.1).
    inLines(toBase64(utf8(text.replace(/\r\n?|\n/g, '\r\n')))),
    `--${boundary}`,
    `Content-Type: ${attachment.type}${parameter('name', attachment.name)}`,
    `Content-Disposition: attachment${parameter('filename', attachment.name)}`,
    'Content-Transfer-Encoding: base64',
    '',
    inLines(toBase64(attachment.bytes)),
    `--${boundary}--`,
    '',
  ].join('\r\n');
}

/** Of at most 76 letters (RFC 2045, 6.8). */
const inLines = (base64: string): string => (base64.match(/.{1,76}/g) ?? []).join('\r\n');

const DAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ');
const two = (n: number): string => String(n).padStart(2, '0');

/** A date as RFC 5322, 3.3 has it, in UTC. */
function dateOf(at: number): string {
  const d = new Date(at);
  const day = `${DAYS[d.getUTCDay()]}, ${d.getUTCDate()} ${MONTHS[d.getUTCMonth()]} ${d.getUTCFullYear()}`;
  return `${day} ${two(d.getUTCHours())}:${two(d.getUTCMinutes())}:${two(d.getUTCSeconds())} +0000`;
}
