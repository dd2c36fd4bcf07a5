import { handlesOf, figureLines } from '@marginalis/core/figures';
import { backToInk, boundsOfAll, removeMarks } from '@marginalis/core/editing';
import type { Page } from '@marginalis/core/document';
import {
  displayMatrix,
  invertMatrix,
  transform,
  transformBox,
  type Vec,
} from '@marginalis/core/geometry';
import { asFigure, kindFor, type Mark } from '@marginalis/core/kinds';
import { useState } from 'react';
import { usePenRoll, useSession, useSessionState } from '@/session';
import { Chip, ChipButton, TOUCH, useSight } from '@/stage';
import { duplicatePicked } from './clipboard';
import { MoreSheet } from './MoreSheet';
import { PickedBox, ROOM, TURN_REACH } from './PickedBox';
import { RestyleSheet } from './RestyleSheet';
import { usePicked } from './usePicked';

/** Width of the bar, CSS pixels. */
const BAR = 290;

/** What is in hand on a page: a box to move, scale and turn it by, and a bar of what can be done with it. */
export function Picked({ index }: { index: number }) {
  const page = useSessionState((s) => s.document.pages[index]);
  const writable = useSessionState((s) => s.writable);
  const marks = usePicked();
  const here = marks.filter((mark) => mark.page === page?.id);
  if (!page || here.length === 0 || !writable) return null;
  const isFigure = marks.length === 1 && asFigure(here[0]) !== null;
  return (
    <>
      {!isFigure && <PickedBox key={here[0].id} index={index} marks={here} />}
      {marks[0].page === page.id && <PickedBar index={index} marks={marks} here={here} />}
    </>
  );
}

/** What is in hand, in words. */
export function wordsFor(marks: readonly Mark[]): string {
  if (marks.length !== 1) return `${marks.length} marks`;
  const [mark] = marks;
  return `the ${kindFor(mark).words(mark).name.toLowerCase()}`;
}

function PickedBar(props: { index: number; marks: readonly Mark[]; here: readonly Mark[] }) {
  const { index, marks, here } = props;
  const session = useSession();
  const page = useSessionState((s) => s.document.pages[index]);
  const dragged = useSessionState((s) => s.doomed.size > 0);
  const { zoom } = useSight();
  const hand = usePenRoll((r) => r.hand);
  const [sheet, setSheet] = useState<'look' | 'more' | null>(null);
  const ids = marks.map(({ id }) => id);
  const document = () => session.store.getState().document;
  const [first] = marks;
  const figure = marks.length === 1 ? asFigure(first) : null;
  const isFigure = figure !== null;
  const words = wordsFor(marks);
  return (
    <>
      {!dragged && sheet === null && (
        <Chip
          index={index}
          page={page}
          hand={hand}
          clearOf={clearOf(here, isFigure, page, zoom)}
          width={BAR}
          label={isFigure ? 'Figure' : 'Picked marks'}
        >
          <ChipButton
            icon="look"
            text="Change"
            label={`Change ${words}`}
            onPress={() => setSheet('look')}
          />
          {figure && figure.from.length > 0 && (
            <ChipButton
              icon="pen"
              text=""
              label="Back to ink"
              onPress={() => session.dispatch(backToInk(document(), first.id))}
            />
          )}
          <ChipButton
            icon="duplicate"
            text=""
            label={`Duplicate ${words}`}
            onPress={() => duplicatePicked(session)}
          />
          <ChipButton
            icon="remove"
            text=""
            label={isFigure ? 'Remove the figure' : `Remove ${words}`}
            onPress={() => session.dispatch(removeMarks(document(), ids))}
          />
          <ChipButton
            icon="more"
            text=""
            label={`More for ${words}`}
            onPress={() => setSheet('more')}
          />
          <ChipButton
            icon="close"
            text=""
            label={isFigure ? 'Done with the figure' : `Deselect ${words}`}
            onPress={() => session.inHand.pick([])}
          />
        </Chip>
      )}
      <RestyleSheet marks={marks} open={sheet === 'look'} onClose={() => setSheet(null)} />
      <MoreSheet marks={marks} page={page} open={sheet === 'more'} onClose={() => setSheet(null)} />
    </>
  );
}

/** What the bar must not lie over: the marks and their handles. */
function clearOf(marks: readonly Mark[], isFigure: boolean, page: Page, zoom: number): Vec[] {
  const figure = isFigure ? asFigure(marks[0])?.figure : undefined;
  if (figure) return [...figureLines(figure).flat(), ...handlesOf(figure).map((h) => h.at)];
  const display = displayMatrix(page);
  const { minX, minY, maxX, maxY } = transformBox(display, boundsOfAll(marks));
  const [room, turn] = [(ROOM + TOUCH / 2) / zoom, (ROOM + TURN_REACH + TOUCH / 2) / zoom];
  const back = invertMatrix(display);
  return [
    { x: minX - room, y: minY - turn },
    { x: maxX + room, y: maxY + room },
  ].map((p) => transform(back, p));
}
