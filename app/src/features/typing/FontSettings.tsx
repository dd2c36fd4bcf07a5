import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useOwnFonts } from '@/session';
import { Action, IconAction } from '@/ui';
import { askForFont } from './askForFont';

/** The font files of the person's own: what is kept, another one, and away with one. */
export function FontSettings() {
  const { fonts, ready, remove } = useOwnFonts();
  const [said, setSaid] = useState<string | null>(null);
  useEffect(() => {
    ready().catch((e: unknown) => setSaid(String(e)));
  }, [ready]);
  return (
    <View role="group" aria-label="Fonts of your own" style={styles.group}>
      <Text variant="labelLarge">Fonts of your own, for signs that the program’s faces lack</Text>
      {fonts.map((font) => (
        <View key={font.face} style={styles.row}>
          <Text style={styles.label}>
            {font.mayEmbed ? font.label : `${font.label} (not in copies)`}
          </Text>
          <IconAction
            icon="remove"
            label={`Remove ${font.label}`}
            onPress={() => {
              remove(font).then(
                () => setSaid(null),
                (e: unknown) => setSaid(String(e)),
              );
            }}
          />
        </View>
      ))}
      <View style={styles.row}>
        <Action mode="outlined" onPress={() => void askForFont().then(setSaid)}>
          Add a font file
        </Action>
      </View>
      {said && <Text role="status">{said}</Text>}
    </View>
  );
}

const styles = StyleSheet.create({
  group: { gap: 4, paddingVertical: 4 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  label: { flex: 1 },
});
