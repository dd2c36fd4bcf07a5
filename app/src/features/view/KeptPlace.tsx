import { useEffect, useState } from 'react';
import { StyleSheet } from 'react-native';
import { useTheme } from 'react-native-paper';
import { usePageNames, useSettings } from '@/session';
import { type Reader, useReader } from '@/shell';
import {
  BESIDE_OPENER,
  FootCorner,
  type StageController,
  type StagePlace,
  useSight,
  useStage,
} from '@/stage';
import { keepPlace, readPlace } from '@/storage';
import { Action, paperIcon } from '@/ui';

/** The place is kept when the paper has rested for so long, ms. */
const RESTED = 400;
/** The way back is offered for so long, ms; its keys know it longer. */
const OFFERED = 12_000;

const NO_PANELS = { roll: null, margin: null } as const;

/** What one sees in a window, and how. */
function seenIn(stage: StageController) {
  const { held, view } = stage.getSight();
  return { ...stage.getPlace(), held, view };
}

/** Keeps what one sees of a document, and what stands around it. */
async function keepWhatStands({ session, shell, stage }: Reader): Promise<void> {
  const { held, beside, share } = shell.panes.store.getState();
  const { id } = session.desk;
  if (held.first?.session !== session) {
    // What stands around it when it is read alone stays as it was.
    const before = await readPlace(id);
    const around = { panels: before?.panels ?? NO_PANELS, beside: before?.beside ?? null };
    return keepPlace(id, { ...around, ...seenIn(stage) });
  }
  const second = held.beside?.session === session ? held.beside.stage.getPlace() : null;
  return keepPlace(id, {
    ...seenIn(held.first.stage),
    panels: shell.store.getState().panels,
    beside: beside && { document: beside.document, place: second ?? beside.place, share },
  });
}

/** Keeps the place for the next time, and offers the way back after a jump. */
export function KeptPlace() {
  const reader = useReader();
  const { shell } = reader;
  const { controller } = useStage();
  const { before, after, held } = useSight();
  useEffect(() => {
    let resting: ReturnType<typeof setTimeout> | undefined;
    const keep = (): void => {
      clearTimeout(resting);
      resting = undefined;
      // Where one was is all that is lost when storage refuses; that it does is said of the first change.
      keepWhatStands(reader).catch(() => undefined);
    };
    const wait = (): void => {
      resting ??= setTimeout(keep, RESTED);
    };
    const followed = [
      controller.subscribe(wait),
      shell.store.subscribe(wait),
      shell.panes.store.subscribe(wait),
    ];
    const onHide = (): void => {
      if (resting) keep();
    };
    window.addEventListener('pagehide', onHide);
    return () => {
      for (const unfollow of followed) unfollow();
      onHide();
      window.removeEventListener('pagehide', onHide);
    };
  }, [controller, reader, shell]);
  // Who goes back and forward knows the way; a place that is held stands where it would be offered.
  if (!before || after || held) return null;
  return <WayBack key={`${before.page} ${before.at.y}`} before={before} />;
}

function WayBack({ before }: { before: StagePlace }) {
  const { controller } = useStage();
  const hand = useSettings((r) => r.hand);
  const nameOf = usePageNames();
  const { colors } = useTheme();
  const [offered, setOffered] = useState(true);
  useEffect(() => {
    const end = setTimeout(() => setOffered(false), OFFERED);
    return () => clearTimeout(end);
  }, []);
  if (!offered) return null;
  return (
    <FootCorner hand={hand} inset={BESIDE_OPENER}>
      <Action
        mode="outlined"
        icon={paperIcon('undo')}
        onPress={() => controller.step('back')}
        style={[styles.way, { backgroundColor: colors.surface }]}
      >
        {`Back to page ${nameOf(controller.indexOf(before.page))}`}
      </Action>
    </FootCorner>
  );
}

const styles = StyleSheet.create({ way: { borderRadius: 6 } });
