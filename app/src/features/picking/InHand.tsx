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
import { useLatelyWritten, useSettings, useSession, useSessionState } from '@/session';
import { ChipCommands, useReader } from '@/shell';
import { Chip, ChipButton, TOUCH, useSight, useStandOff, usePageSeen } from '@/stage';
import { duplicatePicked } from './clipboard';
import { MoreSheet } from './MoreSheet';
import { PickedBox, roomFor, TURN_REACH } from './PickedBox';
import { RESTYLE } from './ids';

/** Width of the bar, CSS pixels. */
const BAR = 290;

/** What is in hand on a page: a box to move, scale and turn it by, and a bar of what can be done with it. */
export function InHand(props: { index: number; marks: readonly Mark[]; here: readonly Mark[] }) {
  const { index, marks, here } = props;
  const page = usePageSeen(index);
  const standsOff = useStandOff(boundsOfAll(here));
  // A figure has handles of its own, unless they would cover it.
  const isFigure = marks.length === 1 && asFigure(here[0]) !== null && !standsOff;
  const carried = here.filter((mark) => !kindFor(mark).bound);
  return (
    <>
      {!isFigure && carried.length > 0 && (
        <PickedBox key={carried[0].id} index={index} marks={carried} standsOff={standsOff} />
      )}
      {marks[0].page === page.id && (
        <PickedBar index={index} marks={marks} here={here} standsOff={standsOff} />
      )}
    </>
  );
}

/** What is in hand, in words. */
export function wordsFor(marks: readonly Mark[]): string {
  if (marks.length !== 1) return `${marks.length} marks`;
  const [mark] = marks;
  return `the ${kindFor(mark).words(mark).name.toLowerCase()}`;
}

function PickedBar(props: {
  index: number;
  marks: readonly Mark[];
  here: readonly Mark[];
  standsOff: boolean;
}) {
  const { index, marks, here, standsOff } = props;
  const session = useSession();
  const page = usePageSeen(index);
  const dragged = useSessionState((s) => s.doomed.size > 0);
  const { zoom } = useSight();
  const hand = useSettings((r) => r.hand);
  const { shell } = useReader();
  const [isMore, setMore] = useState(false);
  const ids = marks.map(({ id }) => id);
  const ink = useLatelyWritten(
    page.id,
    useSessionState((s) => s.picked),
  );
  const document = () => session.store.getState().document;
  const [first] = marks;
  const figure = marks.length === 1 ? asFigure(first) : null;
  const isFigure = figure !== null;
  const words = wordsFor(marks);
  return (
    <>
      {!dragged && !isMore && (
        <Chip
          index={index}
          page={page}
          ink={ink}
          hand={hand}
          clearOf={clearOf(here, standsOff, page, zoom)}
          width={BAR}
          label={isFigure ? 'Figure' : 'Picked marks'}
        >
          <ChipButton
            icon="look"
            text="Change"
            label={`Change ${words}`}
            onPress={() => shell.openPanel('roll', RESTYLE)}
          />
          {figure && figure.from.length > 0 && (
            <ChipButton
              icon="pen"
              text=""
              label="Back to ink"
              onPress={() => session.dispatch(backToInk(document(), first.id))}
            />
          )}
          {marks.some((mark) => !kindFor(mark).bound) && (
            <ChipButton
              icon="duplicate"
              text=""
              label={`Duplicate ${words}`}
              onPress={() => duplicatePicked(session)}
            />
          )}
          <ChipCommands of="forPicked" />
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
            onPress={() => setMore(true)}
          />
          <ChipButton
            icon="close"
            text=""
            label={isFigure ? 'Done with the figure' : `Deselect ${words}`}
            onPress={() => session.inHand.pick([])}
          />
        </Chip>
      )}
      <MoreSheet marks={marks} page={page} open={isMore} onClose={() => setMore(false)} />
    </>
  );
}

/** What the bar must not lie over: the marks and their handles. */
function clearOf(marks: readonly Mark[], standsOff: boolean, page: Page, zoom: number): Vec[] {
  const isFigure = marks.length === 1 && !standsOff;
  const room = roomFor(standsOff);
  const figure = isFigure ? asFigure(marks[0])?.figure : undefined;
  if (figure) return [...figureLines(figure).flat(), ...handlesOf(figure).map((h) => h.at)];
  const display = displayMatrix(page);
  const { minX, minY, maxX, maxY } = transformBox(display, boundsOfAll(marks));
  const [side, turn] = [room + TOUCH / 2, room + TURN_REACH + TOUCH / 2].map((r) => r / zoom);
  const back = invertMatrix(display);
  return [
    { x: minX - side, y: minY - turn },
    { x: maxX + side, y: maxY + side },
  ].map((p) => transform(back, p));
}
