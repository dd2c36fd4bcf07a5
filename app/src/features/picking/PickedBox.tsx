import { findMark } from '@marginalis/core/document';
import {
  BOX_HANDLES,
  boundsCarried,
  boxDrag,
  type BoxHandle,
  carryMarks,
  carryTogether,
  followersOf,
  handlePlace,
  leavesAlone,
  marksAt,
  moveToPage,
  pickedBy,
  stoppedAtEdge,
} from '@marginalis/core/editing';
import {
  add,
  boxCentre,
  displayMatrix,
  displaySize,
  mapAsSeen,
  type Matrix,
  thenMatrix,
  transform,
  transformBox,
  type Vec,
} from '@marginalis/core/geometry';
import { asText, type Mark } from '@marginalis/core/kinds';
import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from 'react';
import { useTheme } from 'react-native-paper';
import { useSettings, useSession } from '@/session';
import { doDoubleTap, useReader } from '@/shell';
import {
  Grip,
  gripManners,
  measured,
  measuredMark,
  TOUCH,
  useSight,
  useStage,
  usePageSeen,
} from '@/stage';
import { Area, arrowStep } from '@/ui';
import { Carried } from './Carried';

/** What is seen of a handle, CSS pixels. */
const SEEN = 12;
/** The turning handle stands so far off, CSS pixels. */
export const TURN_REACH = 30;
/** The box stands so far off the marks, so that handles leave them free: farther where they would cover small ones. */
const ROOM = 16;
const STAND_OFF = 28;
export const roomFor = (standsOff: boolean): number => (standsOff ? STAND_OFF : ROOM);
/** The only handles beside a small mark. */
const FEW: ReadonlySet<string> = new Set(['se', 'turn']);
/** Those of text of a line or two: it is made wider more often than larger. */
const OF_LOW_TEXT: ReadonlySet<string> = new Set(['e', 'w', 'turn']);
/** A finger that moves no farther taps. */
const TAP = 5;
/** What is dragged over the edge of a page stops there, unless it is pushed on by more than this, CSS pixels. */
const PUSH = 48;
/** Two taps within so long are a double one, ms. */
const DOUBLE = 400;
/** So many marks can be worked out anew in every frame. */
const SHOWN_AS_WILL_BE = 120;
const MOVE: BoxHandle = { id: 'move', name: 'Move what is picked', act: 'move', x: 0, y: 0 };
const LABELS = { move: 'Move', scale: 'Scale', turn: 'Turn' } as const;

interface Drag {
  readonly handle: BoxHandle;
  readonly from: Vec;
  readonly client: Vec;
  /** It has moved far enough to be no tap. */
  moved: boolean;
}

interface Dragged {
  readonly matrix: Matrix;
  readonly isScaled: boolean;
}
interface Draft extends Dragged {
  /** Lines that go along, as they will be. */
  readonly followers: readonly Mark[];
}

/** How marks are carried: whether their lines grow with them. */
const howCarried = (isScaled: boolean) => ({
  widthFollows: isScaled && useSettings.getState().widthFollows,
});

/** The box around picked marks: dragged by its inside, scaled by corners and sides, turned; by keys too. */
export function PickedBox(props: { index: number; marks: readonly Mark[]; standsOff: boolean }) {
  const { index, marks, standsOff } = props;
  const session = useSession();
  const reader = useReader();
  const page = usePageSeen(index);
  const { controller } = useStage();
  const { zoom } = useSight();
  const { colors } = useTheme();
  const drag = useRef<Drag | null>(null);
  const [pickedAt] = useState(() => performance.now());
  const [draft, setDraft] = useState<Draft | null>(null);
  const display = displayMatrix(page);
  const { width, height } = displaySize(page);
  const bounds = transformBox(display, boundsCarried(marks));
  const ids = marks.map(({ id }) => id);
  useEffect(() => () => session.inHand.doom(new Set()), [session]);

  const placeOf = (e: PointerEvent): Vec =>
    transform(display, controller.toUser(index, controller.fromClient(e.clientX, e.clientY)));
  const inUser = (seen: Matrix): Matrix => mapAsSeen(page, seen);
  const asWillBe = ({ matrix, isScaled }: Dragged): Mark[] =>
    carryTogether(marks, inUser(matrix), howCarried(isScaled)).map(measuredMark);
  /** The lines that are tied to them, as they will be. */
  const following = (now: Dragged): Mark[] => {
    const will = asWillBe(now);
    const pairs = marks.map((mark, k) => [mark, will[k]] as const);
    return followersOf(session.store.getState().document, pairs);
  };
  const manners = (e: { shiftKey: boolean }) => ({ free: e.shiftKey, even: e.shiftKey });

  /** What becomes of the box when a handle is where the pointer is. */
  const dragged = ({ handle, from }: Drag, e: PointerEvent): Matrix => {
    const to = stoppedAtEdge(bounds, handle, from, placeOf(e), { width, height }, PUSH / zoom);
    return boxDrag(bounds, handle, from, to, manners(e));
  };

  const begin = (handle: BoxHandle, e: PointerEvent<HTMLDivElement>) => {
    e.currentTarget.setPointerCapture(e.pointerId);
    drag.current = {
      handle,
      from: placeOf(e),
      client: { x: e.clientX, y: e.clientY },
      moved: false,
    };
  };
  const move = (e: PointerEvent) => {
    const { current } = drag;
    if (!current) return;
    const far = Math.hypot(e.clientX - current.client.x, e.clientY - current.client.y);
    if (!current.moved && far < TAP) return;
    const now = { matrix: dragged(current, e), isScaled: current.handle.act === 'scale' };
    const followers = marks.length <= SHOWN_AS_WILL_BE ? following(now) : [];
    if (!current.moved) session.inHand.doom(new Set([...ids, ...followers.map(({ id }) => id)]));
    current.moved = true;
    setDraft({ ...now, followers });
  };
  const drop = (e: PointerEvent, keep: boolean) => {
    const { current } = drag;
    drag.current = null;
    if (!current) return;
    setDraft(null);
    session.inHand.doom(new Set());
    // From the event itself: what is on the screen may be a frame behind.
    const matrix = dragged(current, e);
    if (current.moved && keep) carry(current.handle, matrix);
    else if (keep && current.handle.act === 'move') tap(e);
  };
  const carry = (handle: BoxHandle, seen: Matrix) => {
    if (leavesAlone(seen, bounds)) return;
    const { document } = session.store.getState();
    if (handle.act === 'move' && toOtherPage(seen)) return;
    const how = howCarried(handle.act === 'scale');
    session.dispatch(measured(carryMarks(document, ids, inUser(seen), LABELS[handle.act], how)));
  };
  /** What is let go over another page goes there. */
  const toOtherPage = (seen: Matrix): boolean => {
    const { document } = session.store.getState();
    const middle = transform(inUser(seen), boxCentre(boundsCarried(marks)));
    const hit = controller.pageAt(transform(controller.userToView(index), middle));
    if (!hit || hit.index === index) return false;
    return session.dispatch(moveToPage(document, ids, document.pages[hit.index].id, hit.user));
  };
  /** A tap on what is picked means what lies beneath it, or in the end a single stroke of it. */
  const tap = (e: PointerEvent) => {
    // The first of two taps has picked it.
    if (e.timeStamp - pickedAt < DOUBLE && doDoubleTap(reader.commands())) return;
    const { document, picked } = session.store.getState();
    const at = controller.toUser(index, controller.fromClient(e.clientX, e.clientY));
    const there = marksAt(document, page.id, at, 12 / zoom).filter((m) => !m.locked);
    if (e.shiftKey && there[0]) {
      const one = pickedBy(document, there[0], false);
      return session.inHand.pick([...picked].filter((id) => !one.includes(id)));
    }
    if (there.length === 0) return session.inHand.pick([]);
    const held = there.findIndex(({ id }) => picked.has(id));
    const next = there[(held + 1) % there.length];
    session.inHand.pick(picked.has(next.id) ? [next.id] : pickedBy(document, next, false));
  };
  const onKey = (handle: BoxHandle, e: KeyboardEvent) => {
    const step = arrowStep(e);
    if (!step) return;
    const from =
      handle.act === 'turn'
        ? { x: boxCentre(bounds).x, y: bounds.minY - TURN_REACH / zoom }
        : handlePlace(bounds, handle);
    carry(handle, boxDrag(bounds, handle, from, add(from, step)));
    e.preventDefault();
    e.stopPropagation();
  };

  const shown = draft ? transformBox(draft.matrix, bounds) : bounds;
  const left = (x: number): string => `${(100 * x) / width}%`;
  const top = (y: number): string => `${(100 * y) / height}%`;
  const [w, h] = [(shown.maxX - shown.minX) * zoom, (shown.maxY - shown.minY) * zoom];
  const room = roomFor(standsOff);
  const roomX = Math.max(room, (TOUCH - w) / 2);
  const roomY = Math.max(room, (TOUCH - h) / 2);
  /** Handles on the middles of sides only where they leave the corners, and the inside, in reach. */
  const isRoomy = (side: number): boolean => side + 2 * ROOM >= 3 * TOUCH;
  const isLowText = marks.every((mark) => asText(mark)) && !isRoomy(h);
  const isInReach = ({ id, x, y, act }: BoxHandle): boolean =>
    isLowText
      ? OF_LOW_TEXT.has(id)
      : standsOff
        ? FEW.has(id)
        : act === 'turn' || (x !== 0 && y !== 0) || isRoomy(x === 0 ? w : h);
  return (
    <>
      {draft && (
        // What is scaled looks while it is dragged exactly as it will afterwards, the width of its lines too.
        <Carried
          page={{ width, height }}
          {...((draft.isScaled || marks.length === 1) && marks.length <= SHOWN_AS_WILL_BE
            ? { marks: asWillBe(draft), matrix: display }
            : { marks, matrix: thenMatrix(display, draft.matrix) })}
        />
      )}
      {draft && draft.followers.length > 0 && (
        <Carried page={{ width, height }} marks={draft.followers} matrix={display} />
      )}
      <Area
        {...gripManners(MOVE.id, MOVE.name)}
        data-box
        onPointerDown={(e) => begin(MOVE, e)}
        onPointerMove={move}
        onPointerUp={(e) => drop(e, true)}
        onPointerCancel={(e) => drop(e, false)}
        onKeyDown={(e) => onKey(MOVE, e)}
        onDoubleClick={(e) => {
          const { document } = session.store.getState();
          const at = controller.toUser(index, controller.fromClient(e.clientX, e.clientY));
          const [one] = marksAt(document, page.id, at, 12 / zoom).filter((m) => !m.locked);
          if (!one || !findMark(document, one.id)) return;
          session.inHand.pick([one.id]);
          doDoubleTap(reader.commands());
        }}
        style={{
          position: 'absolute',
          left: `calc(${left(shown.minX)} - ${roomX}px)`,
          top: `calc(${top(shown.minY)} - ${roomY}px)`,
          width: w + 2 * roomX,
          height: h + 2 * roomY,
          boxSizing: 'border-box',
          border: `1px dashed ${colors.primary}`,
          borderRadius: 2,
          cursor: 'move',
          touchAction: 'none',
          zIndex: 1,
        }}
      />
      {BOX_HANDLES.filter(isInReach).map((handle) => {
        const at = handlePlace(shown, handle);
        const isTurn = handle.act === 'turn';
        return (
          <Grip
            key={handle.id}
            id={handle.id}
            name={handle.name}
            left={`${left(at.x)} + ${handle.x * roomX}px`}
            top={`${top(at.y)} + ${handle.y * roomY - (isTurn ? TURN_REACH : 0)}px`}
            seen={SEEN}
            round={isTurn}
            filled={isTurn}
            cursor={isTurn ? 'grab' : `${handle.id}-resize`}
            zIndex={3}
            // Out of sight while something is dragged, but there: the drag is theirs.
            hidden={draft !== null}
            ofBox
            onPointerDown={(e) => begin(handle, e)}
            onPointerMove={move}
            onPointerUp={(e) => drop(e, true)}
            onPointerCancel={(e) => drop(e, false)}
            onKeyDown={(e) => onKey(handle, e)}
          />
        );
      })}
    </>
  );
}
