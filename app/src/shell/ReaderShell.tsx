import { Fragment, type ReactNode, useCallback, useEffect, useMemo, useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { useTheme } from 'react-native-paper';
import { useStore } from 'zustand';
import { useSession, useSettings } from '@/session';
import { WIDE_FROM } from '@/ui';
import { Bar } from './Bar';
import { Divider } from './Divider';
import type { ReaderFeature } from './feature';
import { preload } from './late';
import { OpenDialog, PanelSheet, LowPanel, SidePanel } from './Panels';
import { type Opened, Pane, Pages } from './Pane';
import { PaneHead } from './PaneHead';
import { useReader } from './ReaderContext';
import { createShell, type Shell } from './shellStore';
import { shellFeature } from './shellFeature';
import { useCommandKeys } from './useCommandKeys';
import { useWhatStood } from './useWhatStood';

/** What is late is loaded so long after the reader stands, ms: after the first page, and most first strokes. */
const PRELOADED_AFTER = 4_000;

export interface ReaderShellProps extends Opened {
  readonly features: readonly ReaderFeature[];
  /** Opens another document, and shows it, or what must be done or said before. */
  readonly renderOther?: (
    id: string,
    show: (opened: Opened) => ReactNode,
    close: () => void,
  ) => ReactNode;
  /** Leaves the document, or asks first; `anyway` when that has been answered. */
  readonly onLeave: (shell: Shell, anyway: boolean) => void;
}

/** A reader for open documents, put together from features. */
export function ReaderShell({ features, renderOther, onLeave, ...opened }: ReaderShellProps) {
  const all = useMemo(() => [...features, shellFeature], [features]);
  const shell = useMemo(() => {
    const own: Shell = createShell(
      (anyway) => onLeave(own, anyway),
      () => {
        // The page never jumps when a column opens.
        if (window.innerWidth < WIDE_FROM) return;
        for (const pane of Object.values(own.panes.store.getState().held)) pane?.stage.holdZoom();
      },
    );
    return own;
  }, [onLeave]);
  useWhatStood(opened.place, shell, all);
  return (
    <Pane name="first" {...opened} shell={shell} features={all}>
      <Layout features={all} shell={shell} renderOther={renderOther} />
    </Pane>
  );
}

interface LayoutProps extends Pick<ReaderShellProps, 'features' | 'renderOther'> {
  readonly shell: Shell;
}

/** Everything around the pages is for the pane that is active; each pane is for itself. */
function Layout({ features, shell, renderOther }: LayoutProps) {
  const { held, active } = useStore(shell.panes.store);
  useEffect(() => {
    const idle = setTimeout(() => {
      const parts = features.flatMap(({ dialogs = [], panels = [], later = [] }) => [
        ...[...dialogs, ...panels].map(({ Content }) => Content),
        ...later,
      ]);
      void preload(parts);
    }, PRELOADED_AFTER);
    return () => clearTimeout(idle);
  }, [features]);
  const front = held[active];
  // The first pane stands from the first effect on.
  if (!held.first || !front) return null;
  const { around } = held.first;
  return front.around(
    <Screen features={features}>
      {around(<Places features={features} shell={shell} renderOther={renderOther} />)}
    </Screen>,
  );
}

/** What stands around the pages. */
function Screen({
  features,
  children,
}: {
  features: readonly ReaderFeature[];
  children: ReactNode;
}) {
  const { colors } = useTheme();
  const wide = useWindowDimensions().width >= WIDE_FROM;
  const leftHanded = useSettings((r) => r.hand) === 'left';
  const { desk } = useSession();
  const [frame, setFrame] = useState<View | null>(null);
  useCommandKeys(frame as unknown as HTMLElement | null);
  const edge = features.map(({ name, Edge }) => Edge && <Edge key={name} />);
  const tools = features.map(({ name, Tools }) => Tools && <Tools key={name} upright={wide} />);
  const side = (which: 'roll' | 'margin') => wide && <SidePanel features={features} side={which} />;
  // What stands around another document begins anew.
  const of = (part: string, content: ReactNode) => (
    <Fragment key={`${part} ${desk.id}`}>{content}</Fragment>
  );
  return (
    <View
      ref={setFrame}
      role="main"
      style={[styles.screen, { backgroundColor: colors.background }]}
    >
      {of(
        'bar',
        <>
          <Bar features={features} wide={wide} />
          {features.map(({ name, Notices }) => Notices && <Notices key={name} />)}
        </>,
      )}
      <View style={[styles.middle, leftHanded && styles.mirrored]}>
        {of('roll', wide ? [tools, side('roll')] : edge)}
        <View style={styles.places}>{children}</View>
        {of('margin', wide && [side('margin'), edge])}
      </View>
      {of(
        'foot',
        <>
          {!wide && <LowPanel features={features} />}
          {!wide && tools}
          {!wide && <PanelSheet features={features} side="roll" />}
          {!wide && <PanelSheet features={features} side="margin" />}
          <OpenDialog features={features} />
        </>,
      )}
    </View>
  );
}

/** The pages of the document, and where there is room what was opened beside it. */
function Places({ features, shell, renderOther }: LayoutProps) {
  const { panes } = shell;
  const { beside, share } = useStore(panes.store);
  const { session, pictures } = useReader();
  const wide = useWindowDimensions().width >= WIDE_FROM;
  const leftHanded = useSettings((r) => r.hand) === 'left';
  const shown = wide ? beside : null;
  const close = useCallback(() => panes.close(), [panes]);
  const second = (opened: Opened) => (
    <Pane name="beside" {...opened} shell={shell} features={features}>
      <PaneHead name="beside" panes={panes} onClose={close} />
      <Pages features={features} name="beside" panes={panes} />
    </Pane>
  );
  return (
    <View style={[styles.side, leftHanded && styles.mirrored]}>
      <View style={shown ? { flex: share } : styles.whole}>
        {shown && <PaneHead name="first" panes={panes} />}
        <Pages features={features} name="first" panes={panes} />
      </View>
      {shown && (
        <>
          <Divider panes={panes} mirrored={leftHanded} />
          <View key={shown.document ?? session.desk.id} style={{ flex: 1 - share }}>
            {shown.document === null
              ? second({ session, pictures, place: shown.place })
              : renderOther?.(
                  shown.document,
                  (opened) => second({ ...opened, place: shown.place ?? opened.place }),
                  close,
                )}
          </View>
        </>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  screen: { flex: 1 },
  middle: { flex: 1, flexDirection: 'row' },
  mirrored: { flexDirection: 'row-reverse' },
  places: { flex: 1, position: 'relative', minWidth: 0 },
  side: { flex: 1, flexDirection: 'row', minWidth: 0 },
  whole: { flex: 1 },
});
