import { figureLines } from '@marginalis/core/figures';
import {
  boxOfPoints,
  displayMatrix,
  displaySize,
  transform,
  type Vec,
} from '@marginalis/core/geometry';
import type { FigureKind } from '@marginalis/core/figures';
import { StyleSheet, View } from 'react-native';
import { IconButton, Text, TouchableRipple, useTheme } from 'react-native-paper';
import Svg, { Path } from 'react-native-svg';
import { useSession, useSessionState } from '@/session';
import { useSight } from '@/stage';
import { Area, Icon, paperIcon } from '@/ui';

const NAMES: Record<FigureKind, string> = {
  line: 'Line',
  arrow: 'Arrow',
  rectangle: 'Rectangle',
  circle: 'Circle',
  ellipse: 'Ellipse',
  triangle: 'Triangle',
};

const CHIP_HEIGHT = 44;

/** The ghost of the figure that ink looks like, with a chip naming it; both lie in the page and move with it. */
export function TidyChip({ index }: { index: number }) {
  const session = useSession();
  const offer = useSessionState((s) => s.offer);
  const page = useSessionState((s) => s.document.pages[index]);
  const { zoom } = useSight();
  const { colors } = useTheme();
  if (!offer || !page || offer.page !== page.id) return null;

  const matrix = displayMatrix(page);
  const { width, height } = displaySize(page);
  const lines = figureLines(offer.reading.figure).map((line) =>
    line.map((p) => transform(matrix, p)),
  );
  const around = boxOfPoints(lines.flat());
  const left = Math.min(
    Math.max(0, ((around.minX + around.maxX) / 2) * zoom - 70),
    width * zoom - 190,
  );
  const below = around.maxY * zoom + 10;
  const top = below + CHIP_HEIGHT < height * zoom ? below : around.minY * zoom - CHIP_HEIGHT - 10;
  const name = NAMES[offer.reading.kind];

  return (
    <>
      {!offer.taken && (
        <Area style={{ position: 'absolute', inset: 0, pointerEvents: 'none' }} aria-hidden>
          <Svg width="100%" height="100%" viewBox={`0 0 ${width} ${height}`}>
            <Path
              d={pathData(lines)}
              fill="none"
              stroke={colors.primary}
              strokeWidth={1.6 / zoom}
              strokeDasharray={`${6 / zoom} ${4 / zoom}`}
              strokeLinejoin="round"
            />
          </Svg>
        </Area>
      )}
      <Area data-control style={{ position: 'absolute', left: Math.max(0, left), top }}>
        <View
          role="status"
          style={[styles.chip, { backgroundColor: colors.surface, borderColor: colors.primary }]}
        >
          <TouchableRipple
            role="button"
            onPress={session.takeOffer}
            accessibilityLabel={
              offer.taken
                ? `Back to ink instead of the ${name.toLowerCase()}`
                : `Take the ${name.toLowerCase()}`
            }
            style={styles.take}
          >
            <View style={styles.words}>
              <Icon name={offer.taken ? 'pen' : 'check'} size={18} color={colors.primary} />
              <Text variant="labelLarge" style={{ color: colors.onSurface }}>
                {offer.taken ? 'Back to ink' : name}
              </Text>
            </View>
          </TouchableRipple>
          <IconButton
            icon={paperIcon('close')}
            size={18}
            accessibilityLabel={offer.taken ? 'Keep the figure' : 'Keep the ink'}
            onPress={session.dismissOffer}
            style={styles.close}
          />
        </View>
      </Area>
    </>
  );
}

const pathData = (lines: readonly (readonly Vec[])[]): string =>
  lines
    .map((line) =>
      line.map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x.toFixed(2)} ${p.y.toFixed(2)}`).join(''),
    )
    .join('');

const styles = StyleSheet.create({
  chip: {
    height: CHIP_HEIGHT,
    flexDirection: 'row',
    alignItems: 'center',
    borderWidth: 1,
    borderRadius: 22,
    overflow: 'hidden',
  },
  take: { height: CHIP_HEIGHT, justifyContent: 'center', paddingLeft: 14, paddingRight: 8 },
  words: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  close: { margin: 0, width: 44, height: CHIP_HEIGHT },
});
