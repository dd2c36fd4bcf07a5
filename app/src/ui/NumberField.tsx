import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { HelperText, TextInput, useTheme } from 'react-native-paper';

/** A number to type: taken with Enter or on leaving; what is no number within the range is said and not taken. */
export function NumberField(props: {
  label: string;
  value: number;
  least: number;
  most: number;
  onChange: (value: number) => void;
}) {
  const { label, value, least, most, onChange } = props;
  const { colors } = useTheme();
  const [typed, setTyped] = useState<string | null>(null);
  const number = typed === null ? value : Number(typed.replace(',', '.'));
  const isGood = typed === null || (typed.trim() !== '' && number >= least && number <= most);
  const take = () => {
    if (typed === null || !isGood) return;
    setTyped(null);
    if (number !== value) onChange(number);
  };
  return (
    <View style={styles.field}>
      <TextInput
        mode="outlined"
        dense
        style={{ backgroundColor: colors.surface, height: 46 }}
        label={label}
        accessibilityLabel={label}
        inputMode="decimal"
        value={typed ?? String(value)}
        error={!isGood}
        onChangeText={setTyped}
        onBlur={() => (isGood ? take() : setTyped(null))}
        onSubmitEditing={take}
      />
      {!isGood && <HelperText type="error">{`A number from ${least} to ${most}.`}</HelperText>}
    </View>
  );
}

const styles = StyleSheet.create({ field: { width: 150, flexShrink: 1, minWidth: 0 } });
