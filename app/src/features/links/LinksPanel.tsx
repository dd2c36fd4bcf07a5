import type { PageLink } from '@marginalis/core/links';
import { useCallback, useMemo, useState } from 'react';
import { FlatList, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { usePageNames, useSession, useSessionState } from '@/session';
import { useReader } from '@/shell';
import { Action, ToggleChip } from '@/ui';
import { askAboutLink } from './asked';
import { follow } from './follow';
import { dropLinks } from './keepLinks';
import { LinkRow } from './LinkRow';
import { useAllLinks } from './useAllLinks';

type Only = 'all' | 'own' | 'dead';

const EMPTY: Readonly<Record<Only, string>> = {
  all: 'There are no links in this document.',
  own: 'You have made no links in this document.',
  dead: 'Every link leads somewhere.',
};

/** Every link of the document, to follow, change and remove; one's own alone, or those that lead nowhere. */
export function LinksPanel({ onGone }: { onGone: () => void }) {
  const reader = useReader();
  const session = useSession();
  const { colors } = useTheme();
  const nameOf = usePageNames();
  const writable = useSessionState((s) => s.writable);
  const pages = useSessionState((s) => s.document.pages);
  const { links, read, of } = useAllLinks();
  const [only, setOnly] = useState<Only>('all');
  const dead = useMemo(() => links.filter(({ leads }) => !leads), [links]);
  const own = useMemo(() => links.filter((link) => link.own), [links]);
  const shown = only === 'all' ? links : only === 'own' ? own : dead;
  const places = useMemo(() => new Map(pages.map(({ id }, k) => [id, k])), [pages]);
  const see = useCallback(
    ({ page, area }: PageLink): void => {
      const index = reader.stage.indexOf(page);
      if (index >= 0) reader.stage.bringInSight(index, area);
      onGone();
    },
    [reader, onGone],
  );
  const go = useCallback(
    (link: PageLink): void => {
      follow(reader, link);
      onGone();
    },
    [reader, onGone],
  );
  const chips: readonly (readonly [Only, string])[] = [
    ['all', `All ${links.length}`],
    ['own', `Yours ${own.length}`],
    ['dead', `Leading nowhere ${dead.length}`],
  ];
  return (
    <View style={styles.panel}>
      <View style={styles.row} role="group" aria-label="Which links">
        {chips.map(([value, label]) => (
          <ToggleChip
            key={value}
            label={label}
            on={only === value}
            onPress={() => setOnly(value)}
          />
        ))}
      </View>
      {only === 'dead' && dead.length > 0 && writable && (
        <Action compact onPress={() => dropLinks(session, dead)}>
          {dead.length === 1 ? 'Remove it' : `Remove all ${dead.length}`}
        </Action>
      )}
      {read < of && (
        <Text role="status" variant="bodySmall" style={{ color: colors.onSurfaceVariant }}>
          {`Reading the links: page ${read} of ${of}`}
        </Text>
      )}
      <FlatList
        data={shown}
        keyExtractor={(link) => `${link.page} ${link.key}`}
        style={styles.rows}
        ListEmptyComponent={read < of ? null : <Text style={styles.none}>{EMPTY[only]}</Text>}
        renderItem={({ item }) => (
          <LinkRow
            link={item}
            pageName={nameOf(places.get(item.page) ?? 0)}
            writable={writable}
            onFollow={go}
            onSee={see}
            onChange={(link) => askAboutLink(reader, link)}
            onRemove={(link) => dropLinks(session, [link])}
          />
        )}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  panel: { flex: 1, minHeight: 0, gap: 6 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 6 },
  rows: { flex: 1 },
  none: { paddingVertical: 24, paddingHorizontal: 8, textAlign: 'center' },
});
