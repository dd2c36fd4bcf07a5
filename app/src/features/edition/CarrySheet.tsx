import { useState } from 'react';
import { Text, useTheme } from 'react-native-paper';
import { useSession } from '@/session';
import { ComingFrom, type There } from '@/shell';
import { Sheet } from '@/ui';
import { Comparing } from './Comparing';
import type { NewFile } from './comparison';
import { CARRY_TITLE } from './ids';

/** The new edition of a document is chosen, both are compared, and what is carried where is looked through before it is done. */
export function CarrySheet({ onClose }: { onClose: () => void }) {
  const [file, setFile] = useState<(NewFile & Pick<There, 'drop'>) | null>(null);
  const [trouble, setTrouble] = useState('');
  const { colors } = useTheme();
  const session = useSession();
  const take = ({ document, drop }: There): void => {
    const [first] = document.pages;
    const source = first && 'source' in first.shows ? first.shows.source : null;
    if (source === null) return setTrouble('This file has no pages.');
    if (source === session.leadingSource())
      return setTrouble('This is the file that the document shows already.');
    const ofFile = document.pages.filter(
      ({ shows }) => 'source' in shows && shows.source === source,
    );
    setFile({ source, pages: ofFile, drop });
  };
  if (file) return <Comparing file={file} onClose={onClose} />;
  return (
    <Sheet title={CARRY_TITLE} open onClose={onClose}>
      <Text>
        Choose the file of the new edition. Your marks are looked for in it by their words and by
        what stands around them; nothing is changed before you have seen where they go.
      </Text>
      <ComingFrom desk={false} onComing={take} />
      {trouble !== '' && (
        <Text role="alert" style={{ color: colors.error }}>
          {trouble}
        </Text>
      )}
    </Sheet>
  );
}
