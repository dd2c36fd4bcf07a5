import type { Attachment } from '@marginalis/core/document';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action } from '@/ui';
import { NoPicture } from './taskPicture';
import { TaskPicture } from './TaskPicture';

const TALLEST = 140;

/** A way to a picture; null when the person takes none. */
export type PictureWay = () => Promise<Attachment | null>;

/** The picture that a task is to carry with it: cut out of the page, or from a file. */
export function PictureField(props: {
  picture: Attachment | null;
  /** Null where there is no place to cut out. */
  onCut: PictureWay | null;
  onChoose: PictureWay;
  onPicture: (picture: Attachment | null) => void;
  onTrouble: (message: string) => void;
}) {
  const { picture, onCut, onChoose, onPicture, onTrouble } = props;
  const [waits, setWaits] = useState(false);
  const take = async (way: PictureWay): Promise<void> => {
    setWaits(true);
    try {
      const taken = await way();
      if (taken) onPicture(taken);
    } catch (e) {
      if (!(e instanceof NoPicture)) throw e;
      onTrouble(e.message);
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
        {onCut && way('Cut out of the page', onCut)}
        {way('From a file', onChoose)}
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
