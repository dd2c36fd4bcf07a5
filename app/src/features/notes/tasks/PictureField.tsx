import type { ListedNote } from '@marginalis/core/derived';
import type { Attachment } from '@marginalis/core/document';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useReader } from '@/shell';
import { Action } from '@/ui';
import { choosePicture, cutOut, NoPicture } from './taskPicture';
import { TaskPicture } from './TaskPicture';

const TALLEST = 140;

/** A way to a picture; null when the person takes none. */
type PictureWay = () => Promise<Attachment | null>;

/** The picture that a note's task is to carry with it: its place cut out of the page, or one from a file. */
export function PictureField(props: {
  note: ListedNote;
  picture: Attachment | null;
  onPicture: (picture: Attachment | null) => void;
}) {
  const { note, picture, onPicture } = props;
  const reader = useReader();
  const [waits, setWaits] = useState(false);
  const take = async (way: PictureWay): Promise<void> => {
    setWaits(true);
    try {
      const taken = await way();
      if (taken) onPicture(taken);
    } catch (e) {
      if (!(e instanceof NoPicture)) throw e;
      reader.session.notices.tell(e.message);
    } finally {
      setWaits(false);
    }
  };
  const way = (label: string, run: PictureWay) => (
    <Action compact disabled={waits} onPress={() => void take(run)}>
      {label}
    </Action>
  );
  return (
    <View style={styles.all}>
      {picture && <TaskPicture picture={picture} tallest={TALLEST} />}
      <View style={styles.row}>
        <Text variant="labelLarge">Picture</Text>
        {note.about && way('Cut out of the page', () => cutOut(reader, note))}
        {way('From a file', choosePicture)}
        {picture && (
          <Action compact accessibilityLabel="Remove the picture" onPress={() => onPicture(null)}>
            Remove
          </Action>
        )}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: 4 },
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', columnGap: 2 },
});
