import { array, number, object, string, ValidationError } from 'yup';
import {
  type Change,
  fromPartRecord,
  isPartName,
  type PartName,
  PartRecordError,
  toPartRecord,
  type Transaction,
} from '../document/index.ts';
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

/** The format that is written: 2 knows every part of a document. Format 1, which knew marks only, is read. */
const VERSION = 2;

/** Puts version, length and checksum before a body. */
export const sealed = (body: string): string => `m${VERSION} ${body.length} ${crc32(body)} ${body}`;

/** Whether a newer version of the program sealed this line. */
export const isOfNewer = (line: string): boolean => Number(/^m(\d+) /.exec(line)?.[1]) > VERSION;

/** @throws JournalDamage when the seal does not fit the body; JournalNewer when a newer program sealed it */
export function unsealed(line: string): string {
  const [, version, size, sum, body] = /^(\S+) (\d+) ([0-9a-f]{8}) ([^]*)$/.exec(line) ?? [];
  if (isOfNewer(line)) throw new JournalNewer('A journal line was written by a newer version.');
  if (!/^m[12]$/.test(version ?? ''))
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
  changes: array(
    object({
      /** Of format 1 all are marks. */
      part: string().strict().default('mark'),
      id: string().strict().required(),
    }).required(),
  ).required(),
});

export function encodeRecord({ seq, client, act, transaction }: JournalRecord): string {
  const changes = transaction.changes.map(({ part, id, before, after }) => ({
    part,
    id,
    before: before && toPartRecord(part, before),
    after: after && toPartRecord(part, after),
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
    return { seq, client, act, transaction: { label, changes: changes.map(changeOfRecord) } };
  } catch (e) {
    if (e instanceof ValidationError || e instanceof SyntaxError || e instanceof PartRecordError)
      throw new JournalDamage(`A journal line is damaged: ${e.message}`);
    throw e;
  }
}

interface ChangeRecord {
  readonly part?: string;
  readonly id: string;
  readonly before?: unknown;
  readonly after?: unknown;
}

function changeOfRecord({ part: name = 'mark', id, before, after }: ChangeRecord): Change {
  if (!isPartName(name)) throw new PartRecordError(`A part called "${name}" is not known here.`);
  const read = (part: PartName, record: unknown): unknown =>
    record ? fromPartRecord(part, record) : null;
  return { part: name, id, before: read(name, before), after: read(name, after) } as Change;
}
