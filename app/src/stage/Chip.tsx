import {
  type Box,
  box,
  boxOfPoints,
  displayMatrix,
  displaySize,
  type PageBox,
  transform,
  transformBox,
  type Vec,
} from '@marginalis/core/geometry';
import { type ReactNode, useContext, useLayoutEffect, useRef, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { CHIP_HEIGHT, chipPlace, INSET } from './chipPlace';
import { AttendedContext, useSight, useStage } from './StageContext';
import { Area, Tooltip, Icon, type IconName } from '@/ui';

interface ChipProps {
  index: number;
  page: PageBox;
  /** What it must keep clear of, in the page's user space. */
  clearOf: readonly Vec[];
  /** What it keeps off where it can: what was written lately, in user space. */
  ink: readonly Box[];
  /** The writing hand: it keeps clear of that too. */
  hand: 'right' | 'left';
  /** At the head of the window where it would lie over ink anywhere near. */
  docks?: boolean;
  /** About how wide it is, CSS pixels, until it has been measured. */
  width: number;
  label: string;
  /** Told when the pointer or the keyboard comes to it, and when it leaves. */
  onHeld?: (held: boolean) => void;
  children: ReactNode;
}

/** A little bar near a figure, in the page and moving with it, never over the figure nor under the hand. */
export function Chip({ label, children, ...where }: ChipProps) {
  const { colors } = useTheme();
  return (
    <Placed {...where}>
      <View role="group" aria-label={label} style={styles.chip}>
        <View
          style={[styles.seen, { backgroundColor: colors.surface, borderColor: colors.primary }]}
        />
        {children}
      </View>
    </Placed>
  );
}

/** What is left of a chip that has waited: a small sign that brings it back. */
export function ChipTag(
  props: Omit<ChipProps, 'width' | 'children'> & { icon: IconName; onPress: () => void },
) {
  const { icon, label, onPress, ...where } = props;
  const { colors } = useTheme();
  return (
    <Placed {...where} width={CHIP_HEIGHT}>
      <Tooltip text={label}>
        <Pressable role="button" accessibilityLabel={label} onPress={onPress} style={styles.tag}>
          <View
            style={[styles.dot, { backgroundColor: colors.surface, borderColor: colors.primary }]}
          >
            <Icon name={icon} size={14} color={colors.primary} />
          </View>
        </Pressable>
      </Tooltip>
    </Placed>
  );
}

function Placed(props: Omit<ChipProps, 'label'>) {
  return useContext(AttendedContext) ? <Standing {...props} /> : null;
}

function Standing(props: Omit<ChipProps, 'label'>) {
  const { index, page, clearOf, ink, hand, docks, width, onHeld, children } = props;
  const { zoom, covered } = useSight();
  const { controller } = useStage();
  /** When it came: a dot made just then was not meant for it. */
  const [since] = useState(() => performance.now());
  const element = useRef<HTMLDivElement>(null);
  const [measured, setMeasured] = useState(width);
  useLayoutEffect(() => {
    if (element.current) setMeasured(element.current.offsetWidth);
  }, [children]);
  const matrix = displayMatrix(page, zoom);
  const [left, top] = controller.cornerOf(index);
  const view = controller.getView();
  const place = chipPlace(
    {
      around: boxOfPoints(clearOf.map((p) => transform(matrix, p))),
      size: { width: measured, height: CHIP_HEIGHT },
      seen: box(-left, covered - top, view.width - left, view.height - top),
      ink: ink.map((b) => transformBox(matrix, b)),
      pageWidth: displaySize(page).width * zoom,
      docks,
    },
    hand,
  );
  return (
    <Area
      ref={element}
      data-control
      data-chip={since}
      onPointerEnter={() => onHeld?.(true)}
      onPointerLeave={() => onHeld?.(false)}
      onFocus={() => onHeld?.(true)}
      onBlur={() => onHeld?.(false)}
      style={{ position: 'absolute', width: 'max-content', ...place, zIndex: 4 }}
    >
      {children}
    </Area>
  );
}

/** One thing that a chip offers. */
export function ChipButton(props: {
  icon?: IconName;
  /** In place of an icon. */
  sign?: ReactNode;
  text: string;
  label?: string;
  expanded?: boolean;
  /** Something it switches is on. */
  on?: boolean;
  onPress: () => void;
}) {
  const { icon, sign, text, label, expanded, on, onPress } = props;
  const { colors } = useTheme();
  const button = (
    <Pressable
      role="button"
      onPress={onPress}
      accessibilityLabel={label ?? text}
      aria-expanded={expanded}
      aria-pressed={on}
      style={styles.button}
    >
      {on && <View style={[styles.on, { backgroundColor: colors.primaryContainer }]} />}
      {sign}
      {icon && <Icon name={icon} size={18} color={colors.primary} />}
      {text !== '' && (
        <Text variant="labelLarge" style={{ color: colors.onSurface }}>
          {text}
        </Text>
      )}
    </Pressable>
  );
  return text === '' && label ? <Tooltip text={label}>{button}</Tooltip> : button;
}

const styles = StyleSheet.create({
  chip: { minHeight: CHIP_HEIGHT, flexDirection: 'row', alignItems: 'center' },
  seen: {
    position: 'absolute',
    left: 0,
    right: 0,
    top: INSET,
    bottom: INSET,
    borderWidth: 1,
    borderRadius: 6,
  },
  button: {
    height: CHIP_HEIGHT,
    minWidth: CHIP_HEIGHT,
    paddingHorizontal: 10,
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'center',
    gap: 6,
  },
  on: {
    position: 'absolute',
    left: 4,
    right: 4,
    top: INSET + 3,
    bottom: INSET + 3,
    borderRadius: 4,
  },
  tag: {
    width: CHIP_HEIGHT,
    height: CHIP_HEIGHT,
    alignItems: 'center',
    justifyContent: 'center',
  },
  dot: {
    width: 24,
    height: 24,
    borderWidth: 1,
    borderRadius: 12,
    alignItems: 'center',
    justifyContent: 'center',
  },
});
