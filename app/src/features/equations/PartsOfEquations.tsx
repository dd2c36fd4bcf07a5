import { EQUATION_PARTS, type EquationPart, partShown } from '@marginalis/core/equation-parts';
import { type EquationOutline, EquationRefusal } from '@marginalis/core/equations';
import { useEffect, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { Choices, Tooltip } from '@/ui';
import { equationSetter } from '@/work';
import { EquationSvg } from './EquationSvg';

const GROUPS = EQUATION_PARTS.map(({ name }) => ({ value: name, label: name }));

/** What equations are made of, for who knows no TeX: pressed it is put in where the caret stands. */
export function PartsOfEquations({ onPart }: { onPart: (part: EquationPart) => void }) {
  const [group, setGroup] = useState(EQUATION_PARTS[0].name);
  const { parts } = EQUATION_PARTS.find(({ name }) => name === group) ?? EQUATION_PARTS[0];
  return (
    <View style={styles.all}>
      <Choices label="Parts" choices={GROUPS} value={group} onChange={setGroup} />
      <View role="group" aria-label={group} style={styles.row}>
        {parts.map((part) => (
          <PartButton key={part.tex} part={part} onPress={() => onPart(part)} />
        ))}
      </View>
    </View>
  );
}

function PartButton({ part, onPress }: { part: EquationPart; onPress: () => void }) {
  const { colors } = useTheme();
  const [outline, setOutline] = useState<EquationOutline | null>(null);
  const shown = partShown(part);
  useEffect(() => {
    let isWanted = true;
    equationSetter.set(shown).then(
      (set) => isWanted && setOutline(set),
      (e: unknown) => {
        // Its name is shown then.
        if (!(e instanceof EquationRefusal)) throw e;
      },
    );
    return () => {
      isWanted = false;
    };
  }, [shown]);
  return (
    <Tooltip text={part.name}>
      <Pressable
        role="button"
        accessibilityLabel={part.name}
        onPress={onPress}
        style={[styles.part, { borderColor: colors.outlineVariant }]}
      >
        {outline ? (
          <EquationSvg
            outline={outline}
            colour={colors.onSurface}
            size={18}
            widest={120}
            highest={44}
          />
        ) : (
          <Text variant="bodySmall">{part.name}</Text>
        )}
      </Pressable>
    </Tooltip>
  );
}

const styles = StyleSheet.create({
  all: { gap: 10 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 6 },
  part: {
    minWidth: 48,
    minHeight: 48,
    paddingHorizontal: 8,
    paddingVertical: 4,
    borderWidth: 1,
    borderRadius: 4,
    alignItems: 'center',
    justifyContent: 'center',
  },
});
