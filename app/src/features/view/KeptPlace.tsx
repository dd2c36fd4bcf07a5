import { useEffect, useState } from 'react';
import { StyleSheet } from 'react-native';
import { useTheme } from 'react-native-paper';
import { usePageNames, useSettings, useSession } from '@/session';
import { FootCorner, type StagePlace, useSight, useStage } from '@/stage';
import { keepPlace } from '@/storage';
import { Action, paperIcon } from '@/ui';

/** The place is kept when the paper has rested for so long, ms. */
const RESTED = 400;
/** The way back is offered for so long, ms; its keys know it longer. */
const OFFERED = 12_000;
/** Beside the way to the writing window, CSS pixels from the window's side. */
const BESIDE = 64;

/** Keeps the place for the next time, and offers the way back after a jump. */
export function KeptPlace() {
  const { desk } = useSession();
  const { controller } = useStage();
  const { before, after } = useSight();
  useEffect(() => {
    let resting: ReturnType<typeof setTimeout> | undefined;
    const keep = (): void => {
      clearTimeout(resting);
      resting = undefined;
      // Where one was is all that is lost when storage refuses; that it does is said of the first change.
      keepPlace(desk.id, controller.getPlace()).catch(() => undefined);
    };
    const unsubscribe = controller.subscribe(() => {
      resting ??= setTimeout(keep, RESTED);
    });
    const onHide = (): void => {
      if (resting) keep();
    };
    window.addEventListener('pagehide', onHide);
    return () => {
      unsubscribe();
      onHide();
      window.removeEventListener('pagehide', onHide);
    };
  }, [controller, desk]);
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
