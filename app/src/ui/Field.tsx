import type { ComponentProps } from 'react';
import { StyleSheet } from 'react-native';
import { TextInput, useTheme } from 'react-native-paper';

/** A line, or several, to type into on a sheet; said as it is labelled unless another name is given. */
export function Field(props: ComponentProps<typeof TextInput> & { label: string }) {
  const { colors } = useTheme();
  return (
    <TextInput
      mode="outlined"
      // Where there are several lines, what it is called lies on its edge if it is.
      dense={!props.multiline}
      accessibilityLabel={props.label}
      {...props}
      style={[
        styles.field,
        !props.multiline && styles.line,
        { backgroundColor: colors.surface },
        props.style,
      ]}
    />
  );
}

const styles = StyleSheet.create({
  field: { minHeight: 48 },
  // As tall as a finger needs; several lines have the height they need.
  line: { height: 48 },
});
