import { type Page, pagesOfSource } from '@marginalis/core/document';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { ActivityIndicator, Text, useTheme } from 'react-native-paper';
import { readShared, readSharedFile, ServerError, sharedFilePath } from '@/remote';
import { Stage, StageProvider, useSight } from '@/stage';
import { Action, EmptyScreen, Notice, paperIcon } from '@/ui';
import { PdfPictures, PictureError } from '@/work';
import { GuestPassword } from './GuestPassword';

interface Shown {
  readonly title: string;
  readonly fileName: string;
  /** What the sender says; may be empty. */
  readonly message: string;
  readonly pages: readonly Page[];
  readonly pictures: PdfPictures;
}

type State =
  | { phase: 'loading' }
  | { phase: 'locked' }
  | { phase: 'failed'; message: string }
  | ({ phase: 'shown' } & Shown);

/** Of an answer to whoever has not given the password. */
const UNAUTHORIZED = 401;

const UNFORESEEN = 'Something went wrong while the document was fetched. Load this page again.';

/** The one source there is: what was shared. */
const SHARED = 'shared';

async function load(token: string): Promise<Shown> {
  const { title, fileName, message } = await readShared(token);
  const pictures = await PdfPictures.open(await readSharedFile(token));
  return {
    title,
    fileName,
    message,
    pages: pagesOfSource(SHARED, await pictures.pageBoxes(), String),
    pictures,
  };
}

/** What someone sees who was given a link: the pages with every mark, and the download. No account, nothing to install. */
export function GuestScreen({ token }: { token: string }) {
  const [state, setState] = useState<State>({ phase: 'loading' });
  const [visits, setVisits] = useState(0);
  const { colors } = useTheme();
  useEffect(() => {
    let closed = false;
    let pictures: PdfPictures | null = null;
    load(token).then(
      (shown) => {
        pictures = shown.pictures;
        document.title = shown.title;
        if (closed) pictures.close();
        else setState({ phase: 'shown', ...shown });
      },
      (e: unknown) => {
        if (closed) return;
        if (e instanceof ServerError && e.status === UNAUTHORIZED)
          return setState({ phase: 'locked' });
        const known = e instanceof ServerError || e instanceof PictureError;
        setState({ phase: 'failed', message: known ? e.message : UNFORESEEN });
        if (!known) console.error(e);
      },
    );
    return () => {
      closed = true;
      pictures?.close();
    };
  }, [token, visits]);

  if (state.phase === 'locked')
    return (
      <GuestPassword
        token={token}
        onLetIn={() => {
          setState({ phase: 'loading' });
          setVisits(visits + 1);
        }}
      />
    );
  if (state.phase === 'loading')
    return (
      <View style={styles.waiting} aria-busy>
        <ActivityIndicator accessibilityLabel="Fetching the document" />
      </View>
    );
  if (state.phase === 'failed')
    return <EmptyScreen title="This document cannot be shown" text={state.message} />;
  return (
    <StageProvider pages={state.pages}>
      <View role="main" style={[styles.screen, { backgroundColor: colors.background }]}>
        <View
          role="banner"
          style={[
            styles.bar,
            { backgroundColor: colors.surface, borderColor: colors.outlineVariant },
          ]}
        >
          <Text
            variant="titleMedium"
            role="heading"
            aria-level={1}
            numberOfLines={1}
            style={styles.title}
          >
            {state.title}
          </Text>
          <Place count={state.pages.length} />
          <Action
            mode="contained"
            compact
            icon={paperIcon('download')}
            onPress={() => fetchFile(token, state.fileName)}
            contentStyle={styles.download}
          >
            Download
          </Action>
        </View>
        {state.message !== '' && <SenderSays text={state.message} />}
        <View style={styles.pages}>
          <Stage pictures={() => state.pictures} marks={null} label={`Pages of ${state.title}`} />
        </View>
      </View>
    </StageProvider>
  );
}

/** What the sender says to whoever opens the link, until it is put away. */
function SenderSays({ text }: { text: string }) {
  const [isAway, setAway] = useState(false);
  return isAway ? null : <Notice text={text} onClose={() => setAway(true)} />;
}

function Place({ count }: { count: number }) {
  const { current } = useSight();
  const { colors } = useTheme();
  return (
    <Text style={{ color: colors.onSurfaceVariant }}>
      {current + 1} / {count}
    </Text>
  );
}

function fetchFile(token: string, fileName: string): void {
  const link = document.createElement('a');
  link.href = sharedFilePath(token);
  link.download = fileName;
  link.click();
}

const styles = StyleSheet.create({
  waiting: { flex: 1, alignItems: 'center', justifyContent: 'center' },
  screen: { flex: 1 },
  bar: {
    minHeight: 52,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 12,
    paddingLeft: 16,
    paddingRight: 8,
    borderBottomWidth: 1,
    zIndex: 2,
  },
  title: { flex: 1 },
  download: { paddingHorizontal: 8 },
  pages: { flex: 1 },
});
