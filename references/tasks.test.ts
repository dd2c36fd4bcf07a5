import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { taskCalendar, type TaskRecord, taskTable } from '@marginalis/core/tasks';
import fc from 'fast-check';

/** Tasks that leave for other programs, as those read them: python-icalendar (RFC 5545) and Python's csv (RFC 4180). */

const READER = join(__dirname, 'support/tasks.py');

interface Read {
  readonly errors: readonly string[];
  readonly todos: readonly {
    readonly id: string;
    readonly title: string;
    readonly says: string;
    readonly place: string;
    readonly until: string;
    readonly state: string;
    readonly done: string;
    readonly made: string;
    readonly words: readonly string[];
    /** Its bytes in base64; empty without. */
    readonly picture: string;
    readonly errors: readonly string[];
  }[];
  readonly rows: readonly Readonly<Record<string, string>>[];
}

function readElsewhere(tasks: readonly TaskRecord[]): Read {
  const given = { calendar: taskCalendar(tasks, 1.7e12), table: taskTable(tasks) };
  const { status, stdout, stderr } = spawnSync('/usr/bin/python3', [READER], {
    input: JSON.stringify(given),
    encoding: 'utf8',
  });
  if (status !== 0) throw new Error(stderr);
  return JSON.parse(stdout) as Read;
}

/**
 * Words of several scripts, with what the two formats write in another way. No backslashes: python-icalendar 4 takes escapes off twice, so that of two
 * it reads one (core/src/tasks has them).
 */
const said = fc
  .array(
    fc.oneof(
      fc.constantFrom('tide', ',', ';', ':', '"', '\n', ' ', 'é', 'مد', 'גאות', 'ज्वार', '潮', '🌊'),
      fc.string({ maxLength: 6 }).map((text) => text.replace(/[^\x20-\x7e]|\\/g, '')),
    ),
    { maxLength: 60 },
  )
  .map((parts) => parts.join('').trim());
const day = fc
  .date({ min: new Date('1990-01-01'), max: new Date('2090-12-31'), noInvalidDate: true })
  .map((date) => date.toISOString());
const task: fc.Arbitrary<TaskRecord> = fc.record({
  id: fc.uuid(),
  number: fc.integer({ min: 1, max: 900 }),
  document: said,
  kind: said,
  title: said,
  who: said,
  until: fc.oneof(
    fc.constant(''),
    day.map((iso) => iso.slice(0, 10)),
  ),
  state: fc.constantFrom('to-do', 'begun', 'done'),
  page: fc.constantFrom('', '3', 'xi'),
  about: said,
  says: said,
  picture: fc.option(
    fc.record({
      name: said,
      type: fc.constant('image/jpeg' as const),
      data: fc
        .uint8Array({ minLength: 1, maxLength: 900 })
        .map((bytes) => Buffer.from(bytes).toString('base64')),
    }),
    { nil: null },
  ),
  labels: fc.array(said, { maxLength: 3 }),
  author: said,
  madeAt: day,
  changedAt: day,
  doneAt: fc.oneof(fc.constant(''), day),
});

const seconds = (iso: string): string => (iso === '' ? '' : `${iso.slice(0, 19)}+00:00`);

test('what other programs read of 200 tasks, from a calendar and from a table, is what was written', () => {
  const tasks = fc.sample(task, { numRuns: 200, seed: 14 });
  const { errors, todos, rows } = readElsewhere(tasks);
  expect(errors).toEqual([]);
  expect(todos).toHaveLength(tasks.length);
  expect(rows).toHaveLength(tasks.length);
  const states = { 'to-do': 'NEEDS-ACTION', begun: 'IN-PROCESS', done: 'COMPLETED' };
  for (const [k, one] of tasks.entries()) {
    const place = [one.document, one.page && `page ${one.page}`, one.about].filter(Boolean);
    const { words, ...todo } = todos[k];
    expect(todo).toEqual({
      id: one.id,
      title: one.title,
      says: [one.says, one.who && `For ${one.who}.`].filter(Boolean).join('\n'),
      place: place.join(', '),
      until: one.until,
      state: states[one.state],
      done: seconds(one.doneAt),
      made: seconds(one.madeAt),
      picture: one.picture?.data ?? '',
      errors: [],
    });
    // It takes a comma within one for the end of it.
    expect(words.join(',')).toBe([one.kind, ...one.labels].filter(Boolean).join(','));
    const cell = (text: string): string => (/^[=+\-@]/.test(text) ? `'${text}` : text);
    expect(rows[k]).toMatchObject({
      Number: String(one.number),
      Task: cell(one.title),
      Who: cell(one.who),
      Until: one.until,
      State: one.state,
      Says: cell(one.says),
      About: cell(one.about),
      Picture: cell(one.picture?.name ?? ''),
    });
  }
});
