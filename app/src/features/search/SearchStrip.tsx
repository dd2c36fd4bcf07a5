import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useStore } from 'zustand';
import { useReader, useShell } from '@/shell';
import { useSight } from '@/stage';
import { Area, IconAction, WIDE_FROM } from '@/ui';
import { goToHit } from './goToHit';
import { hitsSaid } from './hitsSaid';
import { StepButtons } from './StepButtons';

const ID = 'search';

/** What is looked for while the panel is away: from hit to hit over the head of the pages. */
export function SearchStrip() {
  const reader = useReader();
  const { session, stage, shell } = reader;
  const state = useStore(session.search.store);
  const open = useShell((s) => s.panels.roll === ID);
  const { colors } = useTheme();
  const wide = useWindowDimensions().width >= WIDE_FROM;
  // Beneath what is being told.
  const { covered } = useSight();
  if (open || state.term === '') return null;
  const step = (by: 1 | -1): void =>
    goToHit(reader, session.search.next(by, stage.getSight().current));
  return (
    <Area
      data-control
      style={{
        position: 'absolute',
        top: 8 + covered,
        zIndex: 5,
        ...(wide ? styles.wide : styles.narrow),
      }}
    >
      <View
        role="group"
        aria-label={`Search for ${state.term}`}
        style={[styles.strip, { backgroundColor: colors.surface, borderColor: colors.secondary }]}
      >
        <IconAction
          icon="search"
          label="Search the document"
          onPress={() => shell.openPanel('roll', ID)}
        />
        <View style={styles.said} role="status">
          <Text variant="labelLarge" numberOfLines={1}>
            {state.term}
          </Text>
          <Text variant="bodySmall" numberOfLines={1} style={{ color: colors.onSurfaceVariant }}>
            {hitsSaid(state)}
          </Text>
        </View>
        <StepButtons onStep={step} />
        <IconAction
          icon="close"
          label="End the search"
          keys="Escape"
          onPress={() => session.search.find('', {}, 0)}
        />
      </View>
    </Area>
  );
}

const styles = StyleSheet.create({
  wide: { left: '50%', width: 360, marginLeft: -180 },
  narrow: { left: 8, right: 8 },
  strip: { flexDirection: 'row', alignItems: 'center', borderWidth: 1, borderRadius: 6 },
  said: { flex: 1, minWidth: 0 },
});
