import { listNotes } from '@marginalis/core/derived';
import type { LinkTarget } from '@marginalis/core/document';
import { bookmarkRows, pageNamed } from '@marginalis/core/guide';
import { leadOf, readAddress } from '@marginalis/core/links';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useStore } from 'zustand';
import { usePageNames, useSession, useSessionState } from '@/session';
import { Action, Choices, Field, Sheet, SwitchRow } from '@/ui';
import { type AskedLinks, askedLinks } from './asked';
import { addressTrouble } from './inWords';
import { dropLinks, keepLinks } from './keepLinks';
import { Options } from './Options';
import { PlaceFields } from './PlaceFields';

type Way = 'page' | 'bookmark' | 'note' | 'address';

/** Where a link leads, whether it has a frame, and whether it is to be there at all. */
export function LinkSheet({ onClose }: { onClose: () => void }) {
  const asked = useStore(askedLinks, (s) => s.asked);
  return asked && <Asked key={keyOf(asked)} asked={asked} onClose={onClose} />;
}

const keyOf = ({ places: [{ page, area }] }: AskedLinks): string =>
  `${page} ${area.minX} ${area.minY}`;

function wayOf(to: LinkTarget | null): Way {
  if (!to || 'page' in to) return 'page';
  if ('bookmark' in to) return 'bookmark';
  return 'thread' in to ? 'note' : 'address';
}

function Asked({ asked, onClose }: { asked: AskedLinks; onClose: () => void }) {
  const { link, to: first } = asked;
  const session = useSession();
  const document = useSessionState((s) => s.document);
  const nameOf = usePageNames();
  const names = document.pages.map((_, index) => nameOf(index));
  const [way, setWay] = useState<Way>(() => wayOf(first));
  const [place, setPlace] = useState(first && 'page' in first ? first : null);
  const [page, setPage] = useState(() => nameFor(document, first, nameOf));
  const [chosen, setChosen] = useState<LinkTarget | null>(first);
  const [address, setAddress] = useState(first && 'address' in first ? first.address : '');
  const [framed, setFramed] = useState(asked.framed);
  const [trouble, setTrouble] = useState('');
  const bookmarks = bookmarkRows(document);
  const notes = listNotes(document).filter(({ about }) => about !== null);

  const target = (): LinkTarget | string => {
    if (way === 'address') {
      const read = readAddress(address);
      return read.ok ? { address: read.address } : addressTrouble(read);
    }
    if (way === 'page') {
      const index = pageNamed(names, page);
      if (index === null) return `There is no page ${page.trim() || 'of that name'}.`;
      const { id } = document.pages[index];
      return place?.page === id ? place : { page: id, at: null };
    }
    const fits = chosen && wayOf(chosen) === way;
    return fits ? chosen : way === 'note' ? 'Choose a note.' : 'Choose a bookmark.';
  };
  const keep = (): void => {
    const to = target();
    if (typeof to === 'string') return setTrouble(to);
    // The link maker shows what it has made; else a link without a frame is not seen.
    const isSeen = session.hand.instrument().kind === 'link-maker';
    if (keepLinks(session, asked, to, framed) && !link && !isSeen)
      session.notices.offerUndo({
        text: asked.places.length > 1 ? 'The links are made.' : 'The link is made.',
        undo: session.undo,
      });
    session.inHand.pick([]);
    session.words.choose([]);
    onClose();
  };
  const remove = (): void => {
    if (link) dropLinks(session, [link]);
    onClose();
  };
  const ways = [
    { value: 'page', label: 'A page' },
    ...(bookmarks.length > 0 ? [{ value: 'bookmark', label: 'A bookmark' } as const] : []),
    ...(notes.length > 0 ? [{ value: 'note', label: 'A note' } as const] : []),
    { value: 'address', label: 'An address' },
  ] as const;
  const foot = (
    <View style={styles.foot}>
      {link && <Action onPress={remove}>Remove the link</Action>}
      <Action mode="contained" onPress={keep}>
        {link
          ? 'Keep'
          : asked.places.length > 1
            ? `Make ${asked.places.length} links`
            : 'Make the link'}
      </Action>
    </View>
  );
  return (
    <Sheet title={link ? 'Change a link' : 'New link'} open onClose={onClose} foot={foot}>
      <Choices
        label="Leads to"
        choices={ways}
        value={way}
        onChange={(next) => {
          setWay(next);
          setTrouble('');
        }}
      />
      {way === 'page' && (
        <PlaceFields
          page={page}
          hasPlace={
            place !== null && place.at !== null && isPage(document, place.page, page, names)
          }
          onPage={(typed) => {
            setPage(typed);
            setTrouble('');
          }}
          onPlace={(to) => askedLinks.setState({ asked: { ...asked, to, framed } })}
          onWhole={() => setPlace(null)}
          onSubmit={keep}
          onClose={onClose}
        />
      )}
      {way === 'address' && (
        <Field
          label="Web or mail address"
          placeholder="tides.example/harbour"
          value={address}
          autoCapitalize="none"
          autoCorrect={false}
          inputMode="url"
          onChangeText={(text) => {
            setAddress(text);
            setTrouble('');
          }}
          onSubmitEditing={keep}
        />
      )}
      {way === 'bookmark' && (
        <Options
          label="Bookmarks"
          options={bookmarks.map(({ key, title }) => ({ to: { bookmark: key }, says: title }))}
          chosen={chosen}
          onChoose={setChosen}
        />
      )}
      {way === 'note' && (
        <Options
          label="Notes"
          options={notes.map(({ thread, number, about }) => ({
            to: { thread: thread.id },
            says: `${number}. ${thread.remarks[0].text || about?.words.name || 'Note'}`,
          }))}
          chosen={chosen}
          onChoose={setChosen}
        />
      )}
      {trouble !== '' && <Trouble>{trouble}</Trouble>}
      <SwitchRow label="A frame around it" on={framed} onChange={setFramed} />
    </Sheet>
  );
}

type Doc = ReturnType<ReturnType<typeof useSession>['store']['getState']>['document'];

function nameFor(document: Doc, to: LinkTarget | null, nameOf: (index: number) => string): string {
  const lead = to && 'page' in to ? leadOf(document, to) : null;
  return lead && 'index' in lead ? nameOf(lead.index) : '';
}

const isPage = (document: Doc, id: string, typed: string, names: readonly string[]): boolean => {
  const index = pageNamed(names, typed);
  return index !== null && document.pages[index]?.id === id;
};

function Trouble({ children }: { children: string }) {
  const { colors } = useTheme();
  return (
    <Text role="alert" style={{ color: colors.error }}>
      {children}
    </Text>
  );
}

const styles = StyleSheet.create({
  foot: { flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'flex-end', gap: 8 },
});
