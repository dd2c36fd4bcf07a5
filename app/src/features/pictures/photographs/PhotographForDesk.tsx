import type { PagePicture } from '@marginalis/core/pdf';
import { PictureRefusal } from '@marginalis/core/pictures';
import { addDocument } from '@/session';
import { startWork } from '@/work';
import { PhotographSheet } from './PhotographSheet';

const dayOf = (now: Date): string =>
  now.toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });

/** Lays a document of photographed sheets on the desk; gives its id. @throws PictureRefusal */
async function documentOf(pictures: readonly PagePicture[]): Promise<string> {
  const now = new Date();
  const made = await startWork('pdfOfPictures', { pictures }).result;
  if (!made.ok)
    throw new PictureRefusal(
      'no-picture',
      'The document could not be made. Is there too little memory?',
    );
  const added = await addDocument(`Photographed, ${dayOf(now)}.pdf`, made.value, now.getTime());
  if (!added.ok) throw new PictureRefusal('no-picture', added.message);
  return added.document.id;
}

/** Makes a document of photographed sheets, and opens it. */
export function PhotographForDesk(props: { onOpen: (id: string) => void; onClose: () => void }) {
  const { onOpen, onClose } = props;
  return (
    <PhotographSheet
      done={(count) => (count === 1 ? 'Make a document' : `Make a document of ${count} pages`)}
      onPages={async (pages) => {
        const id = await documentOf(pages);
        onClose();
        onOpen(id);
      }}
      onClose={onClose}
    />
  );
}
