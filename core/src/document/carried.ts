import { kindFor, type Mark } from '../kinds/index.ts';
import type { MarkId } from '../marks/index.ts';
import type { Thread } from './parts/index.ts';
import type { DocState } from './state.ts';

/** The ids of the attachments that a mark shows. */
export const attachmentsOfMark = (mark: Mark): readonly string[] =>
  kindFor(mark).attachments?.(mark) ?? [];

/** The ids of the attachments that a task carries. */
export const attachmentsOfThread = ({ task }: Thread): readonly string[] =>
  task?.picture === undefined ? [] : [task.picture];

/** The attachments that marks and tasks of a document carry; also those of pages that were taken out. */
export function attachmentsCarried({
  marks,
  threads,
}: Pick<DocState, 'marks' | 'threads'>): ReadonlySet<string> {
  const shown = [...marks.values()].flatMap((onPage) => [...onPage.values()]);
  return new Set([
    ...shown.flatMap(attachmentsOfMark),
    ...[...threads.values()].flatMap(attachmentsOfThread),
  ]);
}

/** A document with other marks, some of them gone, and of what is said of marks and carried by them what belongs to those that are left. */
export function withMarksLeft(
  document: DocState,
  marks: DocState['marks'],
  gone: ReadonlySet<MarkId>,
): DocState {
  const threads = new Map([...document.threads].filter(([, { mark }]) => !gone.has(mark)));
  // What only they carried would be there whole.
  const carried = attachmentsCarried({ marks, threads });
  const attachments = new Map([...document.attachments].filter(([id]) => carried.has(id)));
  return { ...document, marks, threads, attachments };
}
