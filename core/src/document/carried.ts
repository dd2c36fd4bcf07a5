import { kindFor } from '../kinds/index.ts';
import type { DocState } from './state.ts';

/** The attachments that marks and tasks of a document carry; also those of pages that were taken out. */
export function attachmentsCarried({
  marks,
  threads,
}: Pick<DocState, 'marks' | 'threads'>): ReadonlySet<string> {
  const carried = new Set<string>();
  for (const onPage of marks.values())
    for (const mark of onPage.values())
      for (const id of kindFor(mark).attachments?.(mark) ?? []) carried.add(id);
  for (const { task } of threads.values()) if (task?.picture) carried.add(task.picture);
  return carried;
}
