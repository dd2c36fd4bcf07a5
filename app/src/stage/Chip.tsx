import {
  boxOfPoints,
  displayMatrix,
  displaySize,
  type PageBox,
  transform,
  type Vec,
} from '@marginalis/core/geometry';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { TouchableRipple, Text, useTheme } from 'react-native-paper';
import { useSight, useStage } from './StageContext';
import { Area, Icon, type IconName } from '@/ui';

export const CHIP_HEIGHT = 44;
const GAP = 12;

/** A little bar beside a figure, in the page and moving with it, never over the figure. */
export function Chip(props: {
  index: number;
  page: PageBox;
  /** What it must keep clear of, in the page's user space. */
  clearOf: readonly Vec[];
  /** Its width, CSS pixels, so that it stays on the page. */
  width: number;
  label: string;
  children: ReactNode;
}) {
  const { index, page, clearOf, width, label, children } = props;
  const { zoom } = useSight();
  const { controller } = useStage();
  const { colors } = useTheme();
  const matrix = displayMatrix(page);
  const size = displaySize(page);
  const around = boxOfPoints(clearOf.map((p) => transform(matrix, p)));
  const middle = ((around.minX + around.maxX) / 2) * zoom;
  const left = Math.max(0, Math.min(middle - width / 2, size.width * zoom - width));
  // Below, or where the window or the page ends there, above; else in sight, over the figure.
  const seenFrom = (controller.getCamera().y - controller.stack.tops[index]) * zoom;
  const seenTo = Math.min(size.height * zoom, seenFrom + controller.getView().height);
  const below = around.maxY * zoom + GAP;
  const above = around.minY * zoom - GAP - CHIP_HEIGHT;
  const isBelow = below + CHIP_HEIGHT <= seenTo;
  const inSight = Math.max(0, seenTo - CHIP_HEIGHT - GAP);
  const top = isBelow ? below : above >= Math.max(0, seenFrom) ? above : inSight;
  return (
    <Area data-control data-chip style={{ position: 'absolute', left, top, zIndex: 4 }}>
      <View
        role="group"
        aria-label={label}
        style={[styles.chip, { backgroundColor: colors.surface, borderColor: colors.primary }]}
      >
        {children}
      </View>
    </Area>
  );
}

/** One thing that a chip offers. */
export function ChipButton(props: {
  icon?: IconName;
  text: string;
  label?: string;
  expanded?: boolean;
  onPress: () => void;
}) {
  const { icon, text, label, expanded, onPress } = props;
  const { colors } = useTheme();
  return (
    <TouchableRipple
      role="button"
      onPress={onPress}
      accessibilityLabel={label ?? text}
      aria-expanded={expanded}
      style={styles.button}
    >
      <View style={styles.words}>
        {icon && <Icon name={icon} size={18} color={colors.primary} />}
        {text !== '' && (
          <Text variant="labelLarge" style={{ color: colors.onSurface }}>
            {text}
          </Text>
        )}
      </View>
    </TouchableRipple>
  );
}

const styles = StyleSheet.create({
  chip: {
    minHeight: CHIP_HEIGHT,
    flexDirection: 'row',
    alignItems: 'center',
    borderWidth: 1,
    borderRadius: 6,
    overflow: 'hidden',
  },
  button: { minHeight: CHIP_HEIGHT, minWidth: 44, justifyContent: 'center', paddingHorizontal: 12 },
  words: { flexDirection: 'row', alignItems: 'center', justifyContent: 'center', gap: 8 },
});
