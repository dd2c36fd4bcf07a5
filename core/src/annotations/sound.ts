import { fromMarkRecord, type Mark, toMarkRecord } from '../kinds/index.ts';
import { MarkRecordError } from '../marks/index.ts';

/** Whether a mark can be stored and read again: numbers of others may be of any size. */
export function isSound(mark: Mark): boolean {
  try {
    fromMarkRecord(toMarkRecord(mark));
    return true;
  } catch (e) {
    if (e instanceof MarkRecordError || e instanceof RangeError) return false;
    throw e;
  }
}
