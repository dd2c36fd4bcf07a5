import { Image, StyleSheet, View } from 'react-native';
import { useTheme } from 'react-native-paper';
import type { Attachment } from '@marginalis/core/document';
import { addressOf } from './taskPicture';

/** What a task carries with it, as wide as there is room for and no higher than `tallest`, CSS pixels. */
export function TaskPicture({ picture, tallest }: { picture: Attachment; tallest: number }) {
  const { width, height, name } = picture;
  const { colors } = useTheme();
  return (
    <View style={[styles.frame, { maxHeight: tallest, borderColor: colors.outlineVariant }]}>
      <Image
        source={{ uri: addressOf(picture) }}
        accessibilityLabel={name}
        resizeMode="contain"
        style={{ width: '100%', aspectRatio: width / height, maxHeight: tallest - 2 }}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  frame: { borderWidth: 1, borderRadius: 4, overflow: 'hidden', backgroundColor: '#ffffff' },
});
