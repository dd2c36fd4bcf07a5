import { CONTINUOUS } from '@marginalis/core/geometry';
import { type ReactNode, useMemo, useState } from 'react';
import { usePageNames, useSession, useSessionState, useSettings } from '@/session';
import { Stage, StageProvider, type StagePlace, useMarkFeed, useStage } from '@/stage';
import { type HeldReader, ReaderContext, useReader } from './ReaderContext';
import { WritingLayer } from './WritingLayer';

/** Another window onto the pages, with a camera of its own, in which every instrument writes as in the first. */
export function SecondWindow(props: { label: string; place: StagePlace; children?: ReactNode }) {
  const { fingers } = useSession();
  const { turn } = useReader().stage.getSight().view;
  const [view] = useState({ ...CONTINUOUS, turn });
  const pages = useSessionState((s) => (s.draft ?? s.document).pages);
  const look = useSettings((s) => s.look);
  return (
    <StageProvider pages={pages} device={fingers} place={props.place} view={view} look={look}>
      <Held label={props.label}>{props.children}</Held>
    </StageProvider>
  );
}

function Held({ label, children }: { label: string; children?: ReactNode }) {
  const outer = useReader();
  const session = useSession();
  const { controller } = useStage();
  const feed = useMarkFeed(session);
  const nameOf = usePageNames();
  const reader = useMemo<HeldReader>(() => ({ ...outer, stage: controller }), [outer, controller]);
  return (
    <ReaderContext.Provider value={reader}>
      <Stage pictures={outer.pictures} marks={feed} label={label} nameOf={nameOf}>
        <WritingLayer features={outer.features} />
        {children}
      </Stage>
    </ReaderContext.Provider>
  );
}
