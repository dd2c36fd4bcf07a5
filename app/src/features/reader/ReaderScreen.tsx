import { type ReactNode, useCallback, useEffect, useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { ActivityIndicator, IconButton, Text, useTheme } from 'react-native-paper';
import {
  type DocumentSession,
  SessionContext,
  usePenRoll,
  useSession,
  useSessionState,
} from '@/session';
import { Stage, StageContext, StageProvider, useStage } from '@/stage';
import { Action, CarryContext, EmptyScreen, Notice, paperIcon, Sheet, WIDE_FROM } from '@/ui';
import type { PdfPictures } from '@/work';
import { ForeEdge } from './ForeEdge';
import { KeysSheet } from './KeysSheet';
import { PasswordScreen } from './PasswordScreen';
import { TopBar } from './TopBar';
import { UnkeptSheet } from './UnkeptSheet';
import { useMarkFeed } from './useMarkFeed';
import { useOpenDocument } from './useOpenDocument';
import { useReaderKeys } from './useReaderKeys';

export interface ReaderParts {
  /** The pen roll, lying or upright. */
  tools: (upright: boolean) => ReactNode;
  /** Over the pages, unmoved. */
  overlay: ReactNode;
  /** In page `index`, moving with it. */
  onPage: (index: number) => ReactNode;
  send: ReactNode;
  /** Opens what `send` opens. */
  onSend: () => void;
  /** The button that opens the margin. */
  marginButton: (open: boolean, toggle: () => void) => ReactNode;
  /** The column beside the pages; on a phone a sheet. `onGone` when the reader was led to a place. */
  margin: (pictures: PdfPictures, onGone: () => void) => ReactNode;
  /** More entries of the view menu; each closes it. */
  menu: (close: () => void) => ReactNode;
}

/** Opens a document and puts the parts of the reader around it. */
export function ReaderScreen({
  id,
  onBack,
  ...parts
}: ReaderParts & { id: string; onBack: () => void }) {
  const opened = useOpenDocument(id);
  if (opened.phase === 'opening')
    return (
      <View style={styles.waiting} aria-busy>
        <ActivityIndicator accessibilityLabel="Opening the document" />
      </View>
    );
  if (opened.phase === 'locked')
    return <PasswordScreen document={opened.document} onUnlocked={opened.retry} onLeave={onBack} />;
  if (opened.phase === 'failed')
    return (
      <EmptyScreen title="This document cannot be opened" text={opened.message}>
        <Action mode="contained" onPress={onBack}>
          Back to the desk
        </Action>
      </EmptyScreen>
    );
  return (
    <SessionContext.Provider value={opened.session}>
      <StageProvider pages={opened.session.desk.pages}>
        <Carried session={opened.session}>
          <OpenReader pictures={opened.pictures} onBack={onBack} {...parts} />
        </Carried>
      </StageProvider>
    </SessionContext.Provider>
  );
}

/** Lets sheets know the open document and the stage. */
function Carried({ session, children }: { session: DocumentSession; children: ReactNode }) {
  const stage = useStage();
  const carry = useCallback(
    (content: ReactNode) => (
      <SessionContext.Provider value={session}>
        <StageContext.Provider value={stage}>{content}</StageContext.Provider>
      </SessionContext.Provider>
    ),
    [session, stage],
  );
  return <CarryContext.Provider value={carry}>{children}</CarryContext.Provider>;
}

function OpenReader({
  pictures,
  onBack,
  tools,
  overlay,
  onPage,
  send,
  onSend,
  marginButton,
  margin,
  menu,
}: ReaderParts & { pictures: PdfPictures; onBack: () => void }) {
  const session = useSession();
  const { width } = useWindowDimensions();
  const { colors } = useTheme();
  const wide = width >= WIDE_FROM;
  const leftHanded = usePenRoll((r) => r.hand) === 'left';
  const feed = useMarkFeed();
  const [keysOpen, setKeysOpen] = useState(false);
  const [marginOpen, setMarginOpen] = useState(false);
  const [leaving, setLeaving] = useState(false);
  const refused = useSessionState((s) => s.refused);
  const { controller } = useStage();
  const toggleMargin = () => {
    // The page never jumps when a column opens.
    if (wide) controller.holdZoom();
    setMarginOpen(!marginOpen);
  };
  useReaderKeys(() => setKeysOpen(true), toggleMargin);
  const title = session.desk.title;
  useEffect(() => {
    document.title = `${title} · Marginalis`;
    return () => {
      document.title = 'Marginalis';
    };
  }, [title]);

  return (
    <View role="main" style={[styles.screen, { backgroundColor: colors.background }]}>
      <TopBar
        title={title}
        wide={wide}
        onBack={refused ? () => setLeaving(true) : onBack}
        onKeys={() => setKeysOpen(true)}
        send={
          <>
            {marginButton(marginOpen, toggleMargin)}
            {send}
          </>
        }
        menu={menu}
      />
      <ReaderNotices />
      <View style={[styles.middle, leftHanded && styles.mirrored]}>
        {wide && tools(true)}
        {!wide && <ForeEdge />}
        <View style={styles.pages}>
          <Stage pictures={pictures} marks={feed} label={`Pages of ${title}`} renderOnPage={onPage}>
            {overlay}
          </Stage>
        </View>
        {wide && marginOpen && (
          <View
            role="complementary"
            aria-label="Margin"
            style={[
              styles.margin,
              { backgroundColor: colors.surface, borderColor: colors.outlineVariant },
            ]}
          >
            <View style={styles.head}>
              <Text variant="titleMedium" role="heading" aria-level={2} style={styles.marginTitle}>
                Marks
              </Text>
              <IconButton
                icon={paperIcon('close')}
                size={20}
                accessibilityLabel="Close the margin"
                onPress={() => setMarginOpen(false)}
                style={styles.close}
              />
            </View>
            {margin(pictures, NOTHING)}
          </View>
        )}
        {wide && <ForeEdge />}
      </View>
      {!wide && (
        <Sheet title="Marks" open={marginOpen} onClose={() => setMarginOpen(false)} tall>
          {margin(pictures, () => setMarginOpen(false))}
        </Sheet>
      )}
      {!wide && tools(false)}
      <KeysSheet open={keysOpen} onClose={() => setKeysOpen(false)} />
      <UnkeptSheet
        open={leaving}
        onStay={() => setLeaving(false)}
        onSend={() => {
          setLeaving(false);
          onSend();
        }}
        onLeave={onBack}
      />
    </View>
  );
}

/** Sentences about the state of the document that a person must see. */
function ReaderNotices() {
  const session = useSession();
  const writable = useSessionState((s) => s.writable);
  const phase = useSessionState((s) => s.phase);
  const trouble = useSessionState((s) => s.trouble);
  const refused = useSessionState((s) => s.refused);
  const newer = useSessionState((s) => s.newer);
  const damaged = useSessionState((s) => s.damaged);
  const task = useSessionState((s) => s.task);
  return (
    <>
      {task && (
        <Notice text={task.text}>
          <Action onPress={task.stop}>Stop</Action>
        </Notice>
      )}
      {newer && (
        <Notice text="A newer version of Marginalis has worked on this document. Here it can be read, not changed: what this version does not know stays as it is. Load the page again to get the newer version." />
      )}
      {phase === 'open' && !writable && !newer && (
        <Notice text="Another tab is writing on this document; here it can only be read.">
          <Action onPress={session.askForTurn}>Write here instead</Action>
        </Notice>
      )}
      {refused && (
        <Notice text="The last changes are not stored yet: the browser’s storage is full or out of reach. They are held in this tab and tried again and again. Send a copy, or free some space.">
          <Action onPress={session.retry}>Try again</Action>
        </Notice>
      )}
      {trouble && <Notice text={trouble} onClose={session.forgetTrouble} />}
      {damaged > 0 && (
        <Notice
          text={`${damaged === 1 ? 'One stored change' : `${damaged} stored changes`} could not be read and may be missing. Everything else is here.`}
        />
      )}
    </>
  );
}

const NOTHING = (): void => undefined;

const styles = StyleSheet.create({
  margin: { width: 320, padding: 10, borderLeftWidth: 1, borderRightWidth: 1 },
  head: { flexDirection: 'row', alignItems: 'center' },
  marginTitle: { flex: 1 },
  close: { margin: 0, width: 44, height: 44 },
  screen: { flex: 1 },
  waiting: { flex: 1, alignItems: 'center', justifyContent: 'center' },
  middle: { flex: 1, flexDirection: 'row' },
  mirrored: { flexDirection: 'row-reverse' },
  pages: { flex: 1, position: 'relative' },
});
