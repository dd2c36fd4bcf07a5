import { array, number, object, string, ValidationError } from 'yup';
import type { Transaction } from '../document/index.ts';
import { fromMarkRecord, MarkRecordError, toMarkRecord } from '../marks/index.ts';
import { crc32 } from './crc32.ts';

/** One line of the journal. `undo` and `redo` carry what they did, so that replay needs nothing else. */
export interface JournalRecord {
  readonly seq: number;
  /** Which tab wrote it. */
  readonly client: string;
  readonly act: 'do' | 'undo' | 'redo';
  readonly transaction: Transaction;
}

/** Thrown when a stored line is not what was written: cut short, changed, or from another version. */
export class JournalDamage extends Error {
  override readonly name = 'JournalDamage';
}

/** Thrown when a stored line was written by a newer version of the program; it is sound, and must not be touched. */
export class JournalNewer extends Error {
  override readonly name = 'JournalNewer';
}

const VERSION = 'm1';
const VERSION_NUMBER = 1;

/** Puts version, length and checksum before a body. */
export const sealed = (body: string): string => `${VERSION} ${body.length} ${crc32(body)} ${body}`;

/** Whether a newer version of the program sealed this line. */
export const isOfNewer = (line: string): boolean =>
  Number(/^m(\d+) /.exec(line)?.[1]) > VERSION_NUMBER;

/** @throws JournalDamage when the seal does not fit the body; JournalNewer when a newer program sealed it */
export function unsealed(line: string): string {
  const [, version, size, sum, body] = /^(\S+) (\d+) ([0-9a-f]{8}) ([^]*)$/.exec(line) ?? [];
  if (isOfNewer(line)) throw new JournalNewer('A journal line was written by a newer version.');
  if (version !== VERSION)
    throw new JournalDamage('A journal line has no seal of a known version.');
  if (body.length !== Number(size)) throw new JournalDamage('A journal line is cut short.');
  if (crc32(body) !== sum) throw new JournalDamage('A journal line does not match its checksum.');
  return body;
}

const shape = object({
  seq: number().strict().integer().min(1).required(),
  client: string().strict().required(),
  act: string()
    .strict()
    .oneOf(['do', 'undo', 'redo'] as const)
    .required(),
  label: string().strict().defined(),
  changes: array(object({ id: string().strict().required() }).required()).required(),
});

export function encodeRecord({ seq, client, act, transaction }: JournalRecord): string {
  const changes = transaction.changes.map(({ id, before, after }) => ({
    id,
    before: before && toMarkRecord(before),
    after: after && toMarkRecord(after),
  }));
  return sealed(JSON.stringify({ seq, client, act, label: transaction.label, changes }));
}

/** @throws JournalDamage, JournalNewer */
export function decodeRecord(line: string): JournalRecord {
  const body = unsealed(line);
  try {
    const { seq, client, act, label, changes } = shape.validateSync(JSON.parse(body), {
      strict: true,
    });
    const marks = changes as { id: string; before?: unknown; after?: unknown }[];
    return {
      seq,
      client,
      act,
      transaction: {
        label,
        changes: marks.map(({ id, before, after }) => ({
          id,
          before: before ? fromMarkRecord(before) : null,
          after: after ? fromMarkRecord(after) : null,
        })),
      },
    };
  } catch (e) {
    if (e instanceof ValidationError || e instanceof SyntaxError || e instanceof MarkRecordError)
      throw new JournalDamage(`A journal line is damaged: ${e.message}`);
    throw e;
  }
}
