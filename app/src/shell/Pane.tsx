import { type ReactNode, useCallback, useEffect, useLayoutEffect, useMemo, useState } from 'react';
import { useStore } from 'zustand';
import {
  type DocumentSession,
  SessionContext,
  usePageNames,
  useSessionState,
  useSettings,
} from '@/session';
import {
  AttendedContext,
  pagePictures,
  type SourcePictures,
  Stage,
  StageContext,
  StageProvider,
  useMarkFeed,
  useStage,
} from '@/stage';
import { Area, CarryContext } from '@/ui';
import { commandsOf } from './commands';
import type { ReaderFeature } from './feature';
import type { PaneName, Panes } from './panes';
import { type HeldReader, ReaderContext, useReader } from './ReaderContext';
import type { Shell } from './shellStore';
import { Thumbnails } from './thumbnails';
import type { Stood } from './useWhatStood';
import { WritingLayer } from './WritingLayer';

/** A document that is open, and where one begins in it; at its head without a place. */
export interface Opened {
  readonly session: DocumentSession;
  readonly pictures: SourcePictures;
  readonly place?: Stood | null;
}

interface PaneProps extends Opened {
  readonly name: PaneName;
  readonly shell: Shell;
  readonly features: readonly ReaderFeature[];
  readonly children: ReactNode;
}

/** One window onto the pages of a document, with a camera of its own; what it holds works on them. */
export function Pane({ session, ...props }: PaneProps) {
  return (
    <SessionContext.Provider value={session}>
      <Staged session={session} {...props} />
    </SessionContext.Provider>
  );
}

function Staged(props: PaneProps) {
  const { place } = props;
  const { fingers } = props.session;
  const pages = useSessionState((s) => (s.draft ?? s.document).pages);
  const look = useSettings((s) => s.look);
  return (
    <StageProvider pages={pages} device={fingers} place={place} view={place?.view} look={look}>
      <Held {...props} />
    </StageProvider>
  );
}

/** Makes the reader, and lets what hangs elsewhere in the tree know it. */
function Held({ name, session, pictures, place, shell, features, children }: PaneProps) {
  const stage = useStage();
  const { controller } = stage;
  const reader = useMemo<HeldReader>(() => {
    const own = { session, stage: controller, pictures, shell };
    const thumbnails = new Thumbnails(pictures);
    return { ...own, features, thumbnails, commands: () => commandsOf(features, own) };
  }, [session, controller, pictures, shell, features]);
  const around = useMemo(() => {
    const hold = (content: ReactNode): ReactNode => (
      <SessionContext.Provider value={session}>
        <StageContext.Provider value={stage}>
          <ReaderContext.Provider value={reader}>
            <CarryContext.Provider value={hold}>{content}</CarryContext.Provider>
          </ReaderContext.Provider>
        </StageContext.Provider>
      </SessionContext.Provider>
    );
    return hold;
  }, [session, stage, reader]);
  useLayoutEffect(
    () => shell.panes.enter(name, { session, stage: controller, around }),
    [shell, name, session, controller, around],
  );
  useLayoutEffect(
    () =>
      pagePictures.from((id) => {
        const { document, draft } = session.store.getState();
        return (draft ?? document).attachments.get(id) ?? null;
      }),
    [session],
  );
  const [kept] = useState(place?.held ?? null);
  useEffect(() => controller.hold(kept), [controller, kept]);
  return around(children);
}

/** The pages of a pane. What comes down on them, or has the focus there, has everything work on this pane first. */
export function Pages(props: { name: PaneName; panes: Panes; features: readonly ReaderFeature[] }) {
  const { name, panes, features } = props;
  const { session, pictures } = useReader();
  const isActive = useStore(panes.store, (s) => s.active === name);
  const feed = useMarkFeed(session);
  const nameOf = usePageNames();
  const onPage = useCallback(
    (index: number) =>
      features.map(
        (feature) => feature.OnPage && <feature.OnPage key={feature.name} index={index} />,
      ),
    [features],
  );
  const claim = useCallback(() => panes.activate(name), [panes, name]);
  return (
    <Area
      onPointerDownCapture={claim}
      onFocusCapture={claim}
      style={{ flex: 1, position: 'relative', minWidth: 0 }}
    >
      <AttendedContext.Provider value={isActive}>
        <Stage
          pictures={pictures}
          marks={feed}
          label={`${name === 'first' ? 'Pages' : 'More pages'} of ${session.desk.title}`}
          nameOf={nameOf}
          renderOnPage={onPage}
        >
          <WritingLayer features={features} />
          {isActive &&
            features.map((feature) => feature.Over && <feature.Over key={feature.name} />)}
        </Stage>
      </AttendedContext.Provider>
    </Area>
  );
}
