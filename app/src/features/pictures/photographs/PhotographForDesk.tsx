import { useState } from 'react';
import { Snackbar } from 'react-native-paper';
import { addDocument } from '@/session';
import { type Jobs, startWork } from '@/work';
import { PhotographSheet } from './PhotographSheet';

const dayOf = (now: Date): string =>
  now.toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });

/** Makes a document of photographed sheets and lays it on the desk. */
export function PhotographForDesk(props: { onOpen: (id: string) => void; onClose: () => void }) {
  const { onOpen, onClose } = props;
  const [trouble, setTrouble] = useState<string | null>(null);
  const make = async (pictures: readonly Jobs['straighten']['answer'][]): Promise<void> => {
    const now = new Date();
    const made = await startWork('pdfOfPictures', { pictures }).result;
    if (!made.ok) return setTrouble('The document could not be made. Is there too little memory?');
    const added = await addDocument(`Photographed, ${dayOf(now)}.pdf`, made.value, now.getTime());
    if (!added.ok) return setTrouble(added.message);
    onClose();
    onOpen(added.document.id);
  };
  return (
    <>
      <PhotographSheet
        done={(count) => (count === 1 ? 'Make a document' : `Make a document of ${count} pages`)}
        onPages={(pages) => void make(pages)}
        onClose={onClose}
      />
      <Snackbar visible={trouble !== null} onDismiss={() => setTrouble(null)}>
        {trouble}
      </Snackbar>
    </>
  );
}
