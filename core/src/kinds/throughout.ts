import type { MarkBase } from '../marks/index.ts';
import { kindFor, type Mark } from './table.ts';

/** A mark and the marks that it is made of, each changed. */
export function changeThroughout(mark: Mark, change: <M extends MarkBase>(one: M) => M): Mark {
  const changed = change(mark);
  const { mapParts } = kindFor(changed);
  return mapParts ? mapParts(changed, (part) => changeThroughout(part as Mark, change)) : changed;
}
