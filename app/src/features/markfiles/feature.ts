import type { Reader, ReaderFeature } from '@/shell';
import { pickFile } from '@/ui';
import { bringInMarks, takeOutMarks } from './markFiles';

async function bringIn(reader: Reader): Promise<void> {
  const file = await pickFile('.xfdf,application/vnd.adobe.xfdf,application/xml,text/xml');
  if (file) await bringInMarks(reader, file);
}

/** Marks and notes as XFDF, out of the document and into it. */
export const markFilesFeature: ReaderFeature = {
  name: 'markfiles',
  commands: (reader) => [
    {
      id: 'marks-out',
      title: 'Marks as XFDF',
      group: 'Document',
      also: 'export download save annotations notes comments',
      icon: 'download',
      settings: 30,
      run: () => void takeOutMarks(reader.session),
    },
    {
      id: 'marks-in',
      title: 'Bring in marks',
      group: 'Document',
      also: 'import open XFDF annotations notes comments',
      icon: 'open',
      settings: 40,
      able: () => reader.session.store.getState().writable,
      run: () => void bringIn(reader),
    },
  ],
};
