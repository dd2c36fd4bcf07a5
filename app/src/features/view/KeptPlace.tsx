import { useEffect, useState } from 'react';
import { StyleSheet } from 'react-native';
import { useTheme } from 'react-native-paper';
import { usePageNames, useSettings, useSession } from '@/session';
import { useReader } from '@/shell';
import { FootCorner, type StagePlace, useSight, useStage } from '@/stage';
import { keepPlace, readPlace } from '@/storage';
import { Action, paperIcon, WIDE_FROM } from '@/ui';

/** The place is kept when the paper has rested for so long, ms. */
const RESTED = 400;
/** The way back is offered for so long, ms; its keys know it longer. */
const OFFERED = 12_000;
/** Beside the way to the writing window, CSS pixels from the window's side. */
const BESIDE = 64;

/** Opens the panels that stood beside the pages last, where there is room for them. */
function usePanelsKept(): void {
  const { session, shell, features } = useReader();
  useEffect(() => {
    if (window.innerWidth < WIDE_FROM) return;
    void readPlace(session.desk.id).then((place) => {
      const { roll, margin } = shell.store.getState().panels;
      // Something has been opened meanwhile.
      if (!place || roll || margin) return;
      for (const { id, side, way } of features.flatMap(({ panels = [] }) => panels))
        if (way && place.panels[side] === id) shell.openPanel(side, id);
    });
  }, [session, shell, features]);
}

/** Keeps the place for the next time, and offers the way back after a jump. */
export function KeptPlace() {
  const { desk } = useSession();
  const { shell } = useReader();
  usePanelsKept();
  const { controller } = useStage();
  const { before, after } = useSight();
  useEffect(() => {
    let resting: ReturnType<typeof setTimeout> | undefined;
    const keep = (): void => {
      clearTimeout(resting);
      resting = undefined;
      // Where one was is all that is lost when storage refuses; that it does is said of the first change.
      const { panels } = shell.store.getState();
      keepPlace(desk.id, { ...controller.getPlace(), panels }).catch(() => undefined);
    };
    const wait = (): void => {
      resting ??= setTimeout(keep, RESTED);
    };
    const unsubscribe = controller.subscribe(wait);
    const unsubscribePanels = shell.store.subscribe(wait);
    const onHide = (): void => {
      if (resting) keep();
    };
    window.addEventListener('pagehide', onHide);
    return () => {
      unsubscribe();
      unsubscribePanels();
      onHide();
      window.removeEventListener('pagehide', onHide);
    };
  }, [controller, desk, shell]);
  // Who goes back and forward knows the way.
  return before && !after && <WayBack key={`${before.page} ${before.at.y}`} before={before} />;
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
    <FootCorner hand={hand} inset={BESIDE}>
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
