import type { DocState } from '@marginalis/core/document';
import { noteRecords, notesMarkdown, notesTable } from '@marginalis/core/leaving';
import { taskInWords, timeInWords } from '@/session';
import { notesFileName } from './fileName';

/** The notes of a document, or of a part of it, as a file of their own. `names` are what its pages are called, `pages` says which they are. */
export function notesFile(
  document: DocState,
  names: readonly string[],
  of: { readonly title: string; readonly pages: string; readonly as: 'markdown' | 'table' },
): { readonly file: File; readonly text: string } {
  const records = noteRecords(document, names);
  const { title, pages, as } = of;
  const [text, name, type] =
    as === 'table'
      ? [notesTable(records), notesFileName(title, pages, 'csv'), 'text/csv;charset=utf-8']
      : [
          notesMarkdown(records, { title, when: timeInWords, task: taskInWords }),
          notesFileName(title, pages, 'md'),
          'text/markdown;charset=utf-8',
        ];
  return { file: new File([text], name, { type }), text };
}
