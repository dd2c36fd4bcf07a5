import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action, download, paperIcon } from '@/ui';

/** Download, and the system's share sheet where there is one. */
export function WaysOut({ file }: { file: File }) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const canShare = navigator.canShare?.({ files: [file] }) ?? false;
  const share = () =>
    navigator.share({ files: [file], title: file.name }).catch((e: unknown) => {
      // Closing the share sheet is no failure.
      if (!(e instanceof DOMException && e.name === 'AbortError'))
        setTrouble('The system could not share the file. Download it instead.');
    });
  return (
    <View style={styles.all}>
      <View style={styles.row}>
        <Action mode="contained" icon={paperIcon('download')} onPress={() => download(file)}>
          Download
        </Action>
        {canShare && (
          <Action mode="outlined" icon={paperIcon('send')} onPress={share}>
            Share
          </Action>
        )}
      </View>
      {trouble && <Text role="alert">{trouble}</Text>}
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: 12 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 10 },
});
