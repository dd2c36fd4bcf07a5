import { Pressable, StyleSheet, View } from 'react-native';
import { useTheme } from 'react-native-paper';
import type { Photo } from './photo';

/** The photographs there are, in the order of the pages they become. */
export function PhotoStrip(props: {
  photos: readonly Photo[];
  shown: Photo | null;
  onShow: (id: string) => void;
}) {
  const { photos, shown, onShow } = props;
  const { colors } = useTheme();
  return (
    <View role="group" aria-label="Photographs" style={styles.row}>
      {photos.map(({ id, address, made }, k) => (
        <Pressable
          key={id}
          role="button"
          accessibilityLabel={`Page ${k + 1} of ${photos.length}`}
          aria-pressed={id === shown?.id}
          onPress={() => onShow(id)}
          style={[
            styles.one,
            { borderColor: id === shown?.id ? colors.primary : colors.outlineVariant },
          ]}
        >
          <img
            src={made?.address ?? address}
            alt=""
            style={{ width: 56, height: 72, objectFit: 'contain' }}
          />
        </Pressable>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 6 },
  one: { borderWidth: 2, borderRadius: 4, padding: 2 },
});
