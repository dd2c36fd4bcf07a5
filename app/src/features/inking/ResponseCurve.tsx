import { RESPONSE_RANGE, respond } from '@marginalis/core/ink';
import { useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import Svg, { Circle, Path } from 'react-native-svg';
import { Area } from '@/ui';

const SIDE = 132;
const PAD = 12;
const STEP = 1.15;

const clamp = (v: number): number =>
  Math.min(RESPONSE_RANGE.most, Math.max(RESPONSE_RANGE.least, v));

/** Words for what the curve does, since a number says little. */
function inWords(response: number): string {
  if (response < 0.8) return 'a light hand counts more';
  if (response > 1.25) return 'a firm hand is needed';
  return 'as the pen measures it';
}

/** How the nib answers pressure: a curve that is dragged, or moved with the arrow keys. */
export function ResponseCurve(props: { value: number; onChange: (value: number) => void }) {
  const { value, onChange } = props;
  const { colors } = useTheme();
  const area = useRef<HTMLDivElement>(null);
  const inner = SIDE - 2 * PAD;
  const at = (u: number): [number, number] => [
    PAD + inner * u,
    SIDE - PAD - inner * respond(u, value),
  ];
  const points = Array.from({ length: 25 }, (_, i) => at(i / 24).join(' '));
  const [hx, hy] = at(0.5);

  // The curve's middle goes where the pointer is: 0.5 to the power of the response is its height.
  const drag = (clientY: number): void => {
    const r = area.current?.getBoundingClientRect();
    if (!r) return;
    const height = Math.min(0.98, Math.max(0.02, (r.bottom - PAD - clientY) / inner));
    onChange(clamp(Math.log(height) / Math.log(0.5)));
  };

  return (
    <View style={styles.group}>
      <Text variant="labelLarge">Pressure response</Text>
      <View style={styles.row}>
        <Area
          ref={area}
          role="slider"
          tabIndex={0}
          aria-label="Pressure response"
          aria-valuemin={RESPONSE_RANGE.least}
          aria-valuemax={RESPONSE_RANGE.most}
          aria-valuenow={Math.round(value * 100) / 100}
          aria-valuetext={inWords(value)}
          style={{
            width: SIDE,
            height: SIDE,
            border: `1px solid ${colors.outlineVariant}`,
            borderRadius: 4,
            touchAction: 'none',
            cursor: 'ns-resize',
            boxSizing: 'border-box',
          }}
          onPointerDown={(e) => {
            e.currentTarget.setPointerCapture(e.pointerId);
            drag(e.clientY);
          }}
          onPointerMove={(e) => {
            if (e.buttons !== 0) drag(e.clientY);
          }}
          onKeyDown={(e) => {
            const up = e.key === 'ArrowUp' || e.key === 'ArrowRight';
            if (!up && e.key !== 'ArrowDown' && e.key !== 'ArrowLeft') return;
            e.preventDefault();
            onChange(clamp(up ? value / STEP : value * STEP));
          }}
        >
          <Svg width={SIDE - 2} height={SIDE - 2} viewBox={`1 1 ${SIDE - 2} ${SIDE - 2}`}>
            <Path
              d={`M${PAD} ${SIDE - PAD}H${SIDE - PAD}M${PAD} ${SIDE - PAD}V${PAD}`}
              stroke={colors.outline}
              strokeWidth={1}
            />
            <Path d={`M${points.join('L')}`} fill="none" stroke={colors.primary} strokeWidth={2} />
            <Circle cx={hx} cy={hy} r={7} fill={colors.primary} />
          </Svg>
        </Area>
        <Text style={[styles.words, { color: colors.onSurfaceVariant }]}>
          From a light touch (left) to a firm one: {inWords(value)}.
        </Text>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  group: { gap: 6 },
  row: { flexDirection: 'row', gap: 14, alignItems: 'center' },
  words: { flex: 1 },
});
