import type { Reader, ReaderFeature } from '@/shell';
import { pickFile } from '@/ui';
import { bringInInkFile, takeOutInk } from './inkFiles';

async function bringIn({ session, stage }: Reader): Promise<void> {
  const file = await pickFile('.inkml,application/inkml+xml');
  if (file) await bringInInkFile(session, file, stage.getSight().current);
}

/** Ink as InkML, out of the document and into it. */
export const inkFilesFeature: ReaderFeature = {
  name: 'inkfiles',
  commands: (reader) => [
    {
      id: 'ink-out',
      title: 'Ink as InkML',
      group: 'Document',
      also: 'export download save strokes',
      icon: 'download',
      settings: 10,
      run: () => void takeOutInk(reader.session),
    },
    {
      id: 'ink-in',
      title: 'Bring in ink',
      group: 'Document',
      also: 'import open InkML strokes',
      icon: 'open',
      settings: 20,
      able: () => reader.session.store.getState().writable,
      run: () => void bringIn(reader),
    },
  ],
};
