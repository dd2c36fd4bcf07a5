import type { EquationRefusal } from '@marginalis/core/equations';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { PAPER } from '@/shell';
import { Action } from '@/ui';
import { EquationSvg } from './EquationSvg';
import type { SetResult } from './useEquation';

/** Letters of the TeX that are shown before and after what is wrong. */
const AROUND = 16;

/** What is typed as it will be drawn, or what is wrong with it and where. */
export function Preview(props: {
  tex: string;
  set: SetResult;
  colour: string;
  /** Pixels. */
  widest: number;
  onPlace: (from: number, to: number) => void;
}) {
  const { tex, set, colour, widest, onPlace } = props;
  const { outline, problem, isSettled } = set;
  const isStale = problem !== null || !isSettled;
  return (
    <View style={styles.all}>
      <View style={styles.paper} role="img" aria-label={outline ? 'Preview' : 'Nothing to see yet'}>
        {outline && (
          <View style={isStale && styles.stale}>
            <EquationSvg
              outline={outline}
              colour={colour}
              size={26}
              widest={widest}
              highest={150}
            />
          </View>
        )}
      </View>
      <View aria-live="polite">
        {problem && isSettled && <Problem tex={tex} problem={problem} onPlace={onPlace} />}
      </View>
    </View>
  );
}

function Problem(props: {
  tex: string;
  problem: EquationRefusal;
  onPlace: (from: number, to: number) => void;
}) {
  const { tex, problem, onPlace } = props;
  const { colors } = useTheme();
  const { place } = problem;
  return (
    <View style={styles.problem}>
      <Text style={{ color: colors.error }}>{problem.message}</Text>
      {place && (
        <View style={styles.place}>
          <Text style={styles.tex}>
            {before(tex, place.from)}
            <Text style={[styles.tex, styles.wrong, { color: colors.error }]}>
              {tex.slice(place.from, place.to)}
            </Text>
            {after(tex, place.to)}
          </Text>
          <Action onPress={() => onPlace(place.from, place.to)}>Go there</Action>
        </View>
      )}
    </View>
  );
}

const before = (tex: string, to: number): string =>
  `${to > AROUND ? '…' : ''}${tex.slice(Math.max(0, to - AROUND), to)}`.replace(/\s+/g, ' ');
const after = (tex: string, from: number): string =>
  `${tex.slice(from, from + AROUND)}${tex.length > from + AROUND ? '…' : ''}`.replace(/\s+/g, ' ');

const styles = StyleSheet.create({
  all: { gap: 6 },
  paper: {
    minHeight: 104,
    padding: 12,
    backgroundColor: PAPER,
    borderRadius: 4,
    borderWidth: StyleSheet.hairlineWidth,
    borderColor: '#8a94a3',
    alignItems: 'center',
    justifyContent: 'center',
  },
  stale: { opacity: 0.35 },
  problem: { gap: 2 },
  place: { flexDirection: 'row', alignItems: 'center', gap: 8, flexWrap: 'wrap' },
  tex: { fontFamily: 'monospace' },
  wrong: { textDecorationLine: 'underline', fontWeight: '700' },
});
