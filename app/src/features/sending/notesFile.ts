import type { DocState } from '@marginalis/core/document';
import { noteRecords, notesMarkdown, notesTable } from '@marginalis/core/leaving';
import { taskInWords, timeInWords } from '@/session';
import { notesFileName } from './fileName';

/** The notes of a document, or of a part of it, as a file of their own. `names` are what its pages are called, `pages` says which they are. */
export function notesFile(
  document: DocState,
  names: readonly string[],
  of: { readonly title: string; readonly pages: string; readonly as: 'markdown' | 'table' },
): File {
  const records = noteRecords(document, names);
  const { title, pages, as } = of;
  if (as === 'table')
    return new File([notesTable(records)], notesFileName(title, pages, 'csv'), {
      type: 'text/csv;charset=utf-8',
    });
  const text = notesMarkdown(records, { title, when: timeInWords, task: taskInWords });
  return new File([text], notesFileName(title, pages, 'md'), {
    type: 'text/markdown;charset=utf-8',
  });
}
