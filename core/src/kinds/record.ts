import { ValidationError } from 'yup';
import { SampleCodecError } from '../ink/index.ts';
import { type MarkRecord, MarkRecordError } from '../marks/index.ts';
import { kindFor, KINDS, type Mark } from './table.ts';

export const toMarkRecord = (mark: Mark): MarkRecord => kindFor(mark).toRecord(mark);

/** @throws MarkRecordError when `record` is not what {@link toMarkRecord} makes, or made in an earlier release */
export function fromMarkRecord(record: unknown): Mark {
  const name = String((record as { kind?: unknown } | null)?.kind);
  if (!Object.hasOwn(KINDS, name))
    throw new MarkRecordError(`A mark of the kind "${name}" is not known here.`);
  try {
    return KINDS[name as keyof typeof KINDS].fromRecord(record);
  } catch (e) {
    if (e instanceof ValidationError || e instanceof RangeError || e instanceof SampleCodecError)
      throw new MarkRecordError(`A stored mark is damaged: ${e.message}`);
    throw e;
  }
}
