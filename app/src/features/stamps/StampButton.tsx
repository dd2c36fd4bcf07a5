import { filledIn, type StampDesign } from '@marginalis/core/stamps';
import { Pressable, StyleSheet } from 'react-native';
import { useTheme } from 'react-native-paper';
import { StampPreview, useStampFields } from './StampPreview';

/** A stamp to be put on the page, as it would look there. */
export function StampButton(props: {
  design: StampDesign;
  /** How often it will have been put on pages. */
  number?: number;
  onPress: () => void;
}) {
  const { design, number, onPress } = props;
  const { colors } = useTheme();
  const fields = useStampFields(number);
  return (
    <Pressable
      role="button"
      accessibilityLabel={filledIn(design.says, fields)}
      onPress={onPress}
      style={[styles.button, { borderColor: colors.outlineVariant }]}
    >
      <StampPreview design={design} number={number} />
    </Pressable>
  );
}

const styles = StyleSheet.create({
  button: {
    minHeight: 48,
    minWidth: 48,
    padding: 8,
    borderWidth: 1,
    borderRadius: 4,
    alignItems: 'center',
    justifyContent: 'center',
    backgroundColor: '#ffffff',
  },
});
