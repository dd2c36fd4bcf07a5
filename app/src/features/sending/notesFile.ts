import type { DocState } from '@marginalis/core/document';
import { noteRecords, notesMarkdown, notesTable } from '@marginalis/core/leaving';
import { taskInWords, timeInWords } from '@/session';
import { fileName, type Naming } from './fileName';

/** The notes of a document, or of a part of it, as a file of their own. `names` are what its pages are called. */
export function notesFile(
  document: DocState,
  names: readonly string[],
  naming: Naming,
  as: 'markdown' | 'table',
): { readonly file: File; readonly text: string } {
  const records = noteRecords(document, names);
  const { title } = naming;
  const [text, name, type] =
    as === 'table'
      ? [notesTable(records), fileName(naming, 'notes', 'csv'), 'text/csv;charset=utf-8']
      : [
          notesMarkdown(records, { title, when: timeInWords, task: taskInWords }),
          fileName(naming, 'notes', 'md'),
          'text/markdown;charset=utf-8',
        ];
  return { file: new File([text], name, { type }), text };
}
