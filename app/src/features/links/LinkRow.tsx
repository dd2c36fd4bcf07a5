import { type PageLink, wordsUnder } from '@marginalis/core/links';
import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { usePagePrint, useSessionState } from '@/session';
import { useReader } from '@/shell';
import { Icon, MenuButton, MenuItems, type MenuWay } from '@/ui';
import { leadsTo } from './follow';
import { typedUnder } from './typedUnder';

/** One link of the list: what it lies over, where it leads, whose it is. */
export const LinkRow = memo(function LinkRow(props: {
  link: PageLink;
  /** What the page it lies on is called. */
  pageName: string;
  writable: boolean;
  onFollow: (link: PageLink) => void;
  onSee: (link: PageLink) => void;
  onChange: (link: PageLink) => void;
  onRemove: (link: PageLink) => void;
}) {
  const { link, pageName, writable, onFollow, onSee, onChange, onRemove } = props;
  const reader = useReader();
  const { colors } = useTheme();
  const page = useSessionState((s) => s.document.pages.find(({ id }) => id === link.page));
  const print = usePagePrint(page, true);
  const written = useSessionState((s) => typedUnder(s.document, link));
  const words = (print && wordsUnder(print, link.parts)) || written;
  const to = leadsTo(reader, link);
  const said = words === '' ? to : words;
  const where = [`On page ${pageName}`, link.own ? 'yours' : 'of the file'].join(', ');
  const ways: readonly MenuWay[] = [
    { title: 'Show it', icon: 'find', run: () => onSee(link) },
    ...(writable
      ? ([
          { title: 'Change …', icon: 'pen', run: () => onChange(link) },
          { title: 'Remove', icon: 'remove', run: () => onRemove(link) },
        ] as const)
      : []),
  ];
  return (
    <View style={[styles.row, { borderColor: colors.outlineVariant }]}>
      <Pressable
        role="link"
        accessibilityLabel={`${said}: ${to}. ${where}`}
        onPress={() => (link.leads ? onFollow(link) : onSee(link))}
        style={styles.main}
      >
        <Icon
          name={link.leads ? 'link' : 'close'}
          size={18}
          color={link.leads ? colors.primary : colors.error}
        />
        <View style={styles.words}>
          <Text variant="bodyMedium" numberOfLines={1}>
            {said}
          </Text>
          <Text
            variant="bodySmall"
            numberOfLines={1}
            style={{ color: link.leads ? colors.onSurfaceVariant : colors.error }}
          >
            {words === '' ? where : `${to} · ${where.toLowerCase()}`}
          </Text>
        </View>
      </Pressable>
      <MenuButton icon="more" label={`More about the link ${said}`}>
        {(close) => <MenuItems ways={ways} close={close} />}
      </MenuButton>
    </View>
  );
});

const styles = StyleSheet.create({
  row: { minHeight: 56, flexDirection: 'row', alignItems: 'center', borderBottomWidth: 1 },
  main: {
    flex: 1,
    minWidth: 0,
    minHeight: 56,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 10,
  },
  words: { flex: 1, minWidth: 0 },
});
