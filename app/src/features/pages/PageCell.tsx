import { marksOn } from '@marginalis/core/document';
import { memo, type KeyboardEvent, type PointerEvent } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useSessionState } from '@/session';
import { PageThumb } from '@/shell';
import { CheckBoxSign } from './CheckBoxSign';

/** Room around a picture, and for the name of its page beneath, CSS pixels. */
const AROUND = 6;
export const NAME = 24;
/** A page is no taller than it is wide by this. */
export const TALL = 1.42;

/** What can be done with a cell; the page is named by its place, from 0. */
export interface CellWays {
  /** `isRange`: to here from the page that was pressed last. */
  readonly onPress: (index: number, isRange: boolean) => void;
  readonly onPointerDown: (index: number, e: PointerEvent<Element>) => void;
  readonly onKeyDown: (index: number, e: KeyboardEvent) => void;
}

/** One page of the table: what is seen of it does not change as the paper moves. */
export const PageCell = memo(function PageCell(props: {
  index: number;
  width: number;
  name: string;
  here: boolean;
  /** Null while pages are not chosen but gone to. */
  chosen: boolean | null;
  /** What is dragged comes before it, or behind it. */
  gap: 'before' | 'behind' | null;
  ways: CellWays;
}) {
  const { index, width, name, here, chosen, gap, ways } = props;
  const height = Math.round(TALL * width);
  const { colors } = useTheme();
  const id = useSessionState(({ document }) => document.pages[index]?.id ?? '');
  const count = useSessionState(({ document }) => marksOn(document, id).size);
  const said = count === 0 ? '' : count === 1 ? ', 1 mark' : `, ${count} marks`;
  const lit = chosen ?? here;
  return (
    <Pressable
      role={chosen === null ? 'button' : 'checkbox'}
      aria-checked={chosen ?? undefined}
      accessibilityLabel={`Page ${name}${said}`}
      aria-current={here ? 'page' : undefined}
      onPress={(e) => {
        const { shiftKey = false } = e.nativeEvent as unknown as { shiftKey?: boolean };
        ways.onPress(index, shiftKey);
      }}
      onPointerDown={(e) => ways.onPointerDown(index, e as unknown as PointerEvent<Element>)}
      {...{
        dataSet: { cell: id },
        onKeyDown: (e: KeyboardEvent) => ways.onKeyDown(index, e),
      }}
      style={[styles.cell, { width }, lit && { backgroundColor: colors.secondaryContainer }]}
    >
      <View style={[styles.picture, { height }]}>
        <PageThumb index={index} width={width - 2 * AROUND} tallest={height - 2 * AROUND} />
      </View>
      <View style={styles.name}>
        <Text
          variant="bodySmall"
          style={{ color: lit ? colors.onSecondaryContainer : colors.onSurface }}
        >
          {name}
        </Text>
        {count > 0 && <View style={[styles.tick, { backgroundColor: colors.primary }]} />}
      </View>
      {chosen !== null && <CheckBoxSign on={chosen} />}
      {gap && (
        <View
          style={[
            styles.gap,
            { backgroundColor: colors.primary },
            gap === 'before' ? styles.before : styles.behind,
          ]}
        />
      )}
    </Pressable>
  );
});

const styles = StyleSheet.create({
  cell: { alignItems: 'center', borderRadius: 4, touchAction: 'pan-y' } as object,
  picture: { justifyContent: 'center' },
  name: { height: NAME, flexDirection: 'row', alignItems: 'center', gap: 6 },
  tick: { width: 10, height: 2 },
  gap: { position: 'absolute', top: 0, bottom: 0, width: 4, borderRadius: 2 },
  before: { left: -2 },
  behind: { right: -2 },
});
