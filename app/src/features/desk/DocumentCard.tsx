import { Image, Pressable, StyleSheet, View } from 'react-native';
import { Menu, Text, useTheme } from 'react-native-paper';
import { passwordFor } from '@/session';
import type { DeskDocument } from '@/storage';
import { Icon, MenuButton, pagesInWords, paperIcon, timeAgo } from '@/ui';

const dayOf = (time: number): string =>
  new Date(time).toLocaleDateString(undefined, { day: 'numeric', month: 'short' });

/** What kind of document it is, in a word; of a copy that came back, of what and when. */
export const kindOf = (d: DeskDocument): string =>
  d.copyOf
    ? `Marked copy of “${d.copyOf.title}”, ${dayOf(d.copyOf.madeAt)}`
    : d.locked
      ? 'Locked'
      : d.signed
        ? 'Signed'
        : d.scanned
          ? 'Scanned'
          : 'Text';

/** Whether it can leave before it is opened: nobody must be asked for its password, or what is to become of what others wrote on it. */
const canLeave = ({ locked, written, source }: DeskDocument): boolean =>
  !written && (!locked || passwordFor(source) !== undefined);

/** A document on the desk: its first page, title, length, kind, and when it was last worked on. */
export function DocumentCard(props: {
  document: DeskDocument;
  wide: boolean;
  /** Milliseconds since 1970. */
  now: number;
  onOpen: () => void;
  onSend: () => void;
  onRename: () => void;
  onRemove: () => void;
}) {
  const { document, wide, now, onOpen, onSend, onRename, onRemove } = props;
  const { colors } = useTheme();
  const picture = document.marked ?? document.picture;
  const pages = document.count ?? document.pages.length;
  const length = pages === 0 ? 'Pages unknown' : pagesInWords(pages);
  return (
    <View
      role="listitem"
      style={[
        styles.card,
        wide ? styles.tall : styles.flat,
        { backgroundColor: colors.surface, borderColor: colors.outlineVariant },
      ]}
    >
      <Pressable
        role="button"
        accessibilityLabel={`Open ${document.title}`}
        onPress={onOpen}
        style={wide ? styles.pressTall : styles.pressFlat}
      >
        <View
          style={[
            wide ? styles.pictureTall : styles.pictureFlat,
            { backgroundColor: colors.surfaceVariant },
          ]}
        >
          {picture ? (
            <Image
              source={{ uri: picture }}
              resizeMode={wide ? 'cover' : 'contain'}
              style={[styles.image, wide && styles.imageTop]}
              alt=""
            />
          ) : (
            <Icon
              name={document.locked ? 'lock' : 'open'}
              size={34}
              color={colors.onSurfaceVariant}
            />
          )}
        </View>
        <View style={styles.words}>
          <Text variant="titleMedium" numberOfLines={2}>
            {document.title}
          </Text>
          <Text style={{ color: colors.onSurfaceVariant }}>
            {length} · {kindOf(document)}
          </Text>
          <Text style={{ color: colors.onSurfaceVariant }}>{timeAgo(document.workedAt, now)}</Text>
        </View>
      </Pressable>
      <View style={wide ? styles.menuTall : styles.menuFlat}>
        <MenuButton icon="more" label={`More about ${document.title}`}>
          {(close) => (
            <>
              {canLeave(document) && (
                <Menu.Item
                  leadingIcon={paperIcon('send')}
                  title="Send"
                  onPress={() => {
                    close();
                    onSend();
                  }}
                />
              )}
              <Menu.Item
                leadingIcon={paperIcon('rename')}
                title="Rename"
                onPress={() => {
                  close();
                  onRename();
                }}
              />
              <Menu.Item
                leadingIcon={paperIcon('remove')}
                title="Remove from the desk"
                onPress={() => {
                  close();
                  onRemove();
                }}
              />
            </>
          )}
        </MenuButton>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  card: { borderWidth: 1, borderRadius: 4 },
  tall: { width: 224 },
  flat: { flexDirection: 'row', alignItems: 'center' },
  pressTall: {},
  pressFlat: { flexDirection: 'row', alignItems: 'center', flex: 1 },
  pictureTall: {
    height: 250,
    alignItems: 'center',
    justifyContent: 'center',
    borderTopLeftRadius: 3,
    borderTopRightRadius: 3,
    overflow: 'hidden',
  },
  pictureFlat: {
    width: 76,
    height: 104,
    alignItems: 'center',
    justifyContent: 'center',
    margin: 8,
    overflow: 'hidden',
  },
  image: { width: '100%', height: '100%' },
  // Taller than its frame: the head of the page shows, the foot is cut.
  imageTop: { position: 'absolute', top: 0, height: 320 },
  words: { padding: 12, gap: 2, flexShrink: 1, minHeight: 100 },
  menuTall: { position: 'absolute', right: 2, bottom: 2 },
  menuFlat: {},
});
