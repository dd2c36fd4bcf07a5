import { boundsOf, listMarks, listRows } from '@marginalis/core/derived';
import { type DocState, inOrder, marksOn } from '@marginalis/core/document';
import { type Box, displayMatrix, displaySize, transformBox } from '@marginalis/core/geometry';
import type { Mark } from '@marginalis/core/kinds';
import { lineOf, nextPlace } from '@marginalis/core/print';
import { useEffect, useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTheme } from 'react-native-paper';
import { useSession } from '@/session';
import { printedRulesOn, type StageController, useStage } from '@/stage';
import { Area, IconAction } from '@/ui';

/** The window moves on when the pen has been away for so long, ms. */
const AWAY = 550;
/** Between the window's edge and where a line begins, points. */
const LEAD = 10;

/** The topmost mark of a page, where it is new. */
function newest(now: DocState, before: DocState, page: string): Mark | null {
  const marks = marksOn(now, page);
  if (marks === marksOn(before, page)) return null;
  const last = inOrder(marks).at(-1);
  return last && !marksOn(before, page).has(last.id) ? last : null;
}

/** Moves the writing window on along the line and to the next one, and keeps its place in sight on the page. */
export function Follow({ page: main }: { page: StageController }) {
  const session = useSession();
  const { controller } = useStage();
  const { colors } = useTheme();
  /** Where the line one writes on began, points; null until something is written on it. */
  const began = useRef<number | null>(null);

  const shown = () => {
    const { page, at, zoom } = controller.getPlace();
    const { width, height } = controller.getView();
    return { page, left: at.x, top: at.y, width: width / zoom, height: height / zoom };
  };
  const goTo = (left: number, top: number): void => {
    const place = controller.getPlace();
    controller.goToPlace({ ...place, at: { x: Math.max(0, left), y: Math.max(0, top) } });
  };
  const lineFor = (document: DocState, index: number, written: Box) => {
    const lines = listRows(listMarks(document).filter((row) => row.page === index)).flatMap(
      (row) => ('line' in row ? [row.line.box] : []),
    );
    const size = displaySize(document.pages[index]);
    const y = (written.minY + written.maxY) / 2;
    const own = lines.find(
      (line) =>
        line.minY < y && line.maxY > y && line.minX <= written.minX && line.maxX >= written.maxX,
    );
    const from = Math.min(own?.minX ?? Infinity, began.current ?? written.minX);
    return lineOf(written, from, size.width, printedRulesOn(controller, index), lines);
  };
  const toNextLine = (): void => {
    const { document } = session.store.getState();
    const { page, top } = shown();
    const index = controller.indexOf(page);
    const last = inOrder(marksOn(document, page)).at(-1);
    if (index < 0 || !last) return controller.pan(0, -controller.getView().height / 3);
    const written = transformBox(displayMatrix(document.pages[index]), boundsOf(last));
    const line = lineFor(document, index, written);
    goTo(line.from - LEAD, top + line.pitch);
  };

  useEffect(() => {
    let waiting: ReturnType<typeof setTimeout> | undefined;
    const unsubscribe = session.store.subscribe((now, before) => {
      if (now.document === before.document) return;
      const { page } = shown();
      const mark = newest(now.document, before.document, page);
      const index = controller.indexOf(page);
      if (!mark || index < 0) return;
      const written = transformBox(displayMatrix(now.document.pages[index]), boundsOf(mark));
      began.current = Math.min(began.current ?? Infinity, written.minX);
      clearTimeout(waiting);
      const moveOn = (): void => {
        // The pen is down again: when it is lifted it is asked anew.
        if (session.strokeInHand.isBusy) return;
        const line = lineFor(session.store.getState().document, index, written);
        const place = nextPlace(shown(), written, line);
        if (!place) return;
        const isNextLine = place.top !== shown().top;
        if (isNextLine) began.current = null;
        goTo(isNextLine ? place.left - LEAD : place.left, place.top);
      };
      waiting = setTimeout(moveOn, AWAY);
    });
    const follow = (): void => {
      const { page, left, top, width, height } = shown();
      const index = main.indexOf(page);
      if (index < 0) return;
      const seen = { minX: left, minY: top, maxX: left + width, maxY: top + height };
      main.frameArea(index, seen);
    };
    follow();
    const unfollow = controller.subscribe(follow);
    return () => {
      clearTimeout(waiting);
      unsubscribe();
      unfollow();
      main.frameArea(-1, null);
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- what is read is the controller's own, now
  }, [session, controller, main]);

  return (
    <Area
      data-control
      style={{ position: 'absolute', right: 4, bottom: 4, zIndex: 5, display: 'flex', gap: 4 }}
    >
      <View style={[styles.step, { backgroundColor: colors.surface, borderColor: colors.outline }]}>
        <IconAction icon="nextLine" label="To the next line" onPress={toNextLine} />
      </View>
    </Area>
  );
}

const styles = StyleSheet.create({ step: { borderWidth: 1, borderRadius: 6 } });
