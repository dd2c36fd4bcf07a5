import { type ReactNode, useCallback, useEffect, useMemo, useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { useTheme } from 'react-native-paper';
import {
  type DocumentSession,
  SessionContext,
  useSettings,
  useSession,
  useSessionState,
} from '@/session';
import {
  type SourcePictures,
  Stage,
  StageContext,
  type StagePlace,
  StageProvider,
  useMarkFeed,
  useStage,
} from '@/stage';
import { CarryContext, WIDE_FROM } from '@/ui';
import { Bar } from './Bar';
import { commandsOf } from './commands';
import type { Reader, ReaderFeature } from './feature';
import { preload } from './late';
import { LowPanel, OpenDialog, PanelSheet, SidePanel } from './Panels';
import { type HeldReader, ReaderContext, useReader } from './ReaderContext';
import { shellFeature } from './shellFeature';
import { createShell } from './shellStore';
import { Thumbnails } from './thumbnails';
import { useCommandKeys } from './useCommandKeys';
import { WritingLayer } from './WritingLayer';

/** What is late is loaded so long after the reader stands, ms: after the first page, and most first strokes. */
const PRELOADED_AFTER = 4_000;

export interface ReaderShellProps {
  readonly session: DocumentSession;
  readonly pictures: SourcePictures;
  /** Where in the document one begins; at its head without. */
  readonly place?: StagePlace | null;
  readonly features: readonly ReaderFeature[];
  /** Leaves the document, or asks first; `anyway` when that has been answered. */
  readonly onLeave: (reader: Reader, anyway: boolean) => void;
}

/** A reader for one open document, put together from features. */
export function ReaderShell({ session, ...props }: ReaderShellProps) {
  return (
    <SessionContext.Provider value={session}>
      <Staged {...props} />
    </SessionContext.Provider>
  );
}

function Staged(props: Omit<ReaderShellProps, 'session'>) {
  const { fingers } = useSession();
  const pages = useSessionState((s) => (s.draft ?? s.document).pages);
  const look = useSettings((s) => s.look);
  return (
    <StageProvider pages={pages} device={fingers} place={props.place} look={look}>
      <Held {...props} />
    </StageProvider>
  );
}

/** Makes the reader, and lets what hangs elsewhere in the tree know it. */
function Held({ pictures, features, onLeave }: Omit<ReaderShellProps, 'session' | 'place'>) {
  const session = useSession();
  const stage = useStage();
  const { controller } = stage;
  const all = useMemo(() => [...features, shellFeature], [features]);
  const reader = useMemo<HeldReader>(() => {
    const shell = createShell(
      (anyway) => onLeave(own, anyway),
      () => {
        // The page never jumps when a column opens.
        if (window.innerWidth >= WIDE_FROM) controller.holdZoom();
      },
    );
    const own: Reader = { session, stage: controller, pictures, shell };
    const thumbnails = new Thumbnails(pictures);
    return { ...own, features: all, thumbnails, commands: () => commandsOf(all, own) };
  }, [session, controller, pictures, onLeave, all]);
  const around = useCallback(
    (content: ReactNode) => (
      <SessionContext.Provider value={session}>
        <StageContext.Provider value={stage}>
          <ReaderContext.Provider value={reader}>{content}</ReaderContext.Provider>
        </StageContext.Provider>
      </SessionContext.Provider>
    ),
    [session, stage, reader],
  );
  return (
    <ReaderContext.Provider value={reader}>
      <CarryContext.Provider value={around}>
        <Layout features={all} />
      </CarryContext.Provider>
    </ReaderContext.Provider>
  );
}

function Layout({ features }: { features: readonly ReaderFeature[] }) {
  const { session, pictures } = useReader();
  const { width } = useWindowDimensions();
  const { colors } = useTheme();
  const wide = width >= WIDE_FROM;
  const leftHanded = useSettings((r) => r.hand) === 'left';
  const feed = useMarkFeed(session);
  const [frame, setFrame] = useState<View | null>(null);
  useCommandKeys(frame as unknown as HTMLElement | null);
  const onPage = useCallback(
    (index: number) =>
      features.map(({ name, OnPage }) => OnPage && <OnPage key={name} index={index} />),
    [features],
  );
  useEffect(() => {
    const idle = setTimeout(() => {
      const parts = features.flatMap(({ dialogs = [], panels = [] }) => [...dialogs, ...panels]);
      void preload(parts.map(({ Content }) => Content));
    }, PRELOADED_AFTER);
    return () => clearTimeout(idle);
  }, [features]);
  const edge = features.map(({ name, Edge }) => Edge && <Edge key={name} />);
  const tools = features.map(({ name, Tools }) => Tools && <Tools key={name} upright={wide} />);
  return (
    <View
      ref={setFrame}
      role="main"
      style={[styles.screen, { backgroundColor: colors.background }]}
    >
      <Bar features={features} wide={wide} />
      {features.map(({ name, Notices }) => Notices && <Notices key={name} />)}
      <View style={[styles.middle, leftHanded && styles.mirrored]}>
        {wide && tools}
        {wide && <SidePanel features={features} side="roll" />}
        {!wide && edge}
        <View style={styles.pages}>
          <Stage
            pictures={pictures}
            marks={feed}
            label={`Pages of ${session.desk.title}`}
            renderOnPage={onPage}
          >
            <WritingLayer features={features} />
            {features.map(({ name, Over }) => Over && <Over key={name} />)}
          </Stage>
        </View>
        {wide && <SidePanel features={features} side="margin" />}
        {wide && edge}
      </View>
      {!wide && <LowPanel features={features} side="roll" />}
      {!wide && tools}
      {!wide && <PanelSheet features={features} side="roll" />}
      {!wide && <PanelSheet features={features} side="margin" />}
      <OpenDialog features={features} />
    </View>
  );
}

const styles = StyleSheet.create({
  screen: { flex: 1 },
  middle: { flex: 1, flexDirection: 'row' },
  mirrored: { flexDirection: 'row-reverse' },
  pages: { flex: 1, position: 'relative' },
});
