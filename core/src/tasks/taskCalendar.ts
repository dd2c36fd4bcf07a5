import type { TaskState } from './listTasks.ts';
import type { TaskRecord } from './taskRecords.ts';

/** Octets of a line, as RFC 5545 (3.1) has it, without its end. */
const LINE = 75;
/** RFC 5545, 3.8.1.11. */
const STATES: Readonly<Record<TaskState, string>> = {
  'to-do': 'NEEDS-ACTION',
  begun: 'IN-PROCESS',
  done: 'COMPLETED',
};

/** Tasks for a calendar: an iCalendar object (RFC 5545) with a to-do for each. `now` is when it is made, ms since 1970. */
export function taskCalendar(tasks: readonly TaskRecord[], now: number): string {
  const lines = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Marginalis//Tasks//EN',
    ...tasks.flatMap((task) => linesOf(task, now)),
    'END:VCALENDAR',
  ];
  return lines.map((line) => `${folded(line)}\r\n`).join('');
}

function linesOf(task: TaskRecord, now: number): string[] {
  const { document, page, about, says, kind, labels, who, until, state, picture, doneAt } = task;
  const place = [document, page && `page ${page}`, about].filter(Boolean).join(', ');
  const categories = [kind, ...labels].filter(Boolean).map(text);
  return [
    'BEGIN:VTODO',
    `UID:${text(task.id)}`,
    `DTSTAMP:${stamp(new Date(now).toISOString())}`,
    `CREATED:${stamp(task.madeAt)}`,
    `LAST-MODIFIED:${stamp(task.changedAt)}`,
    `SUMMARY:${text(task.title)}`,
    `DESCRIPTION:${text([says, who && `For ${who}.`].filter(Boolean).join('\n'))}`,
    `LOCATION:${text(place)}`,
    ...(categories.length > 0 ? [`CATEGORIES:${categories.join(',')}`] : []),
    ...(until ? [`DUE;VALUE=DATE:${until.replaceAll('-', '')}`] : []),
    // RFC 5545, 3.8.1.1.
    ...(picture
      ? [`ATTACH;FMTTYPE=${picture.type};ENCODING=BASE64;VALUE=BINARY:${picture.data}`]
      : []),
    `STATUS:${STATES[state]}`,
    ...(doneAt ? [`COMPLETED:${stamp(doneAt)}`, 'PERCENT-COMPLETE:100'] : []),
    'END:VTODO',
  ];
}

/** A time in UTC, RFC 5545, 3.3.5; from how ISO 8601 writes it. */
const stamp = (iso: string): string => `${iso.replace(/[-:]|\.\d+/g, '').replace(/Z$/, '')}Z`;

/** RFC 5545, 3.3.11. Other control characters are not allowed there. */
const text = (value: string): string =>
  value
    .replace(/\r\n?/g, '\n')

    .replace(/[\u0000-\u0008\u000B-\u001F\u007F]/g, '')
    .replace(/[\\;,]/g, '\\$&')
    .replaceAll('\n', '\\n');

/** A line in parts of at most {@link LINE} octets, none of which cuts a character. */
function folded(line: string): string {
  const parts: string[] = [];
  let part = '';
  let octets = 0;
  for (const sign of line) {
    const size = octetsOf(sign);
    if (octets + size > LINE) {
      parts.push(part);
      // The space that later lines begin with is one of theirs.
      [part, octets] = ['', 1];
    }
    part += sign;
    octets += size;
  }
  return [...parts, part].join('\r\n ');
}

/** Octets of a character in UTF-8. */
function octetsOf(sign: string): number {
  const code = sign.codePointAt(0) ?? 0;
  return code < 0x80 ? 1 : code < 0x800 ? 2 : code < 0x10000 ? 3 : 4;
}
