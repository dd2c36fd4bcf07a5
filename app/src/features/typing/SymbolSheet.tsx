import { SYMBOL_GROUPS, type TypedSymbol } from '@marginalis/core/symbols';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text, TextInput, useTheme } from 'react-native-paper';
import { useSettings } from '@/session';
import { familiesOf } from '@/stage';
import { Sheet, Tooltip } from '@/ui';

const ALL: readonly TypedSymbol[] = SYMBOL_GROUPS.flatMap(({ symbols }) => symbols);
/** Signs stand in the faces of pages: what is seen here is what comes. */
const FACES = familiesOf({
  family: 'sans',
  size: 12,
  bold: false,
  italic: false,
  underline: false,
  colour: '#000000',
});

/** Signs that keyboards lack, to be put in where the caret stands: those used last first, the others by kind, or by name. */
export function SymbolSheet({
  onSign,
  onClose,
}: {
  onSign: (sign: string) => void;
  onClose: () => void;
}) {
  const recent = useSettings((s) => s.signs);
  const { colors } = useTheme();
  const [sought, setSought] = useState('');
  const wanted = sought.trim().toLowerCase();
  const fits = ({ sign, name, shortcut = '' }: TypedSymbol): boolean =>
    sign === wanted ||
    name.toLowerCase().includes(wanted) ||
    shortcut.toLowerCase().startsWith(wanted.replace(/^\\/, ''));
  const lately = recent.flatMap((sign) => ALL.find((one) => one.sign === sign) ?? []);
  const groups =
    wanted === ''
      ? [...(lately.length > 0 ? [{ name: 'Used last', symbols: lately }] : []), ...SYMBOL_GROUPS]
      : SYMBOL_GROUPS.map(({ name, symbols }) => ({ name, symbols: symbols.filter(fits) })).filter(
          ({ symbols }) => symbols.length > 0,
        );
  return (
    <Sheet title="Symbols" open onClose={onClose} tall>
      <TextInput
        mode="outlined"
        dense
        accessibilityLabel="Find a symbol"
        placeholder="Find a symbol"
        value={sought}
        onChangeText={setSought}
        style={{ backgroundColor: colors.surface }}
      />
      {groups.length === 0 && <Text role="status">No symbol is called that.</Text>}
      {groups.map(({ name, symbols }) => (
        <View key={name} role="group" aria-label={name} style={styles.group}>
          <Text variant="labelLarge">{name}</Text>
          <View style={styles.row}>
            {symbols.map(({ sign, name: called, shortcut }) => (
              <Tooltip key={sign} text={shortcut ? `${called}, \\${shortcut}` : called}>
                <Pressable
                  role="button"
                  accessibilityLabel={called}
                  onPress={() => onSign(sign)}
                  style={[styles.sign, { borderColor: colors.outlineVariant }]}
                >
                  <Text style={[styles.letter, { fontFamily: FACES }]}>{sign}</Text>
                </Pressable>
              </Tooltip>
            ))}
          </View>
        </View>
      ))}
    </Sheet>
  );
}

const styles = StyleSheet.create({
  group: { gap: 6 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 4 },
  sign: {
    width: 44,
    height: 44,
    borderWidth: 1,
    borderRadius: 4,
    alignItems: 'center',
    justifyContent: 'center',
  },
  letter: { fontSize: 20 },
});
