import { markChange } from '@marginalis/core/document';
import { changeTexts } from '@marginalis/core/editing';
import {
  add,
  displayMatrix,
  displaySize,
  invertMatrix,
  lerp,
  subtract,
  transform,
  type Vec,
} from '@marginalis/core/geometry';
import { type Leader, leaderPoints, type TextMark } from '@marginalis/core/kinds';
import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import { useSession } from '@/session';
import { Grip, usePageSeen, useStage } from '@/stage';
import { arrowStep } from '@/ui';

/** What is seen of a grip; less movement than this is a press, CSS pixels. */
const SEEN = 12;
const TREMBLE = 3;
/** A bend that is let go so near to the straight line is none, points. */
const STRAIGHT = 4;

type Part = 'to' | 'bend';
const NAMES: Readonly<Record<Part, string>> = {
  to: 'What the callout points at',
  bend: 'Bend of the callout’s line',
};

/** Grips of a callout that is picked by itself: at the place it points at, and where its line bends or could. */
export function LeaderGrips({
  index,
  mark,
  leader,
}: {
  index: number;
  mark: TextMark;
  leader: Leader;
}) {
  const session = useSession();
  const page = usePageSeen(index);
  const { controller } = useStage();
  const drag = useRef<{ off: Vec; at: Vec; now: Leader | null } | null>(null);
  const display = displayMatrix(page);
  const { width, height } = displaySize(page);
  const points = leaderPoints(mark);
  const bend = leader.bend ?? (points ? lerp(points[0], leader.to, 0.5) : null);
  const grips: readonly (readonly [Part, Vec | null])[] = [
    ['bend', bend],
    ['to', leader.to],
  ];
  const placeOf = (e: PointerEvent): Vec =>
    controller.toUser(index, controller.fromClient(e.clientX, e.clientY));
  const withPart = (part: Part, place: Vec): Leader => {
    if (part === 'to') return { ...leader, to: place };
    const start = points?.[0] ?? leader.to;
    return { ...leader, bend: isOnLine(place, start, leader.to) ? null : place };
  };
  const keep = (next: Leader): void =>
    void session.dispatch(changeTexts([[mark, { ...mark, leader: next }]], 'Point elsewhere'));
  const begin = (place: Vec, e: PointerEvent<HTMLDivElement>): void => {
    e.currentTarget.setPointerCapture(e.pointerId);
    const at = { x: e.clientX, y: e.clientY };
    drag.current = { off: subtract(place, placeOf(e)), at, now: null };
  };
  const move = (part: Part, e: PointerEvent): void => {
    const { current } = drag;
    if (!current) return;
    const far = Math.hypot(e.clientX - current.at.x, e.clientY - current.at.y);
    if (!current.now && far < TREMBLE) return;
    current.now = withPart(part, add(placeOf(e), current.off));
    session.inHand.preview(null);
    session.inHand.preview([markChange(mark, { ...mark, leader: current.now })]);
  };
  const drop = (kept: boolean): void => {
    const { current } = drag;
    drag.current = null;
    session.inHand.preview(null);
    if (current?.now && kept) keep(current.now);
  };
  const onKey = (part: Part, place: Vec, e: KeyboardEvent): void => {
    const step = arrowStep(e);
    if (!step) return;
    e.preventDefault();
    e.stopPropagation();
    keep(withPart(part, transform(invertMatrix(display), add(transform(display, place), step))));
  };
  return (
    <>
      {grips.map(([part, place]) => {
        if (!place) return null;
        const seen = transform(display, place);
        return (
          <Grip
            key={part}
            id={`leader-${part}`}
            name={NAMES[part]}
            left={`${(100 * seen.x) / width}%`}
            top={`${(100 * seen.y) / height}%`}
            seen={SEEN}
            round
            filled={part === 'to'}
            opacity={part === 'bend' && !leader.bend ? 0.7 : 1}
            cursor="grab"
            zIndex={4}
            onPointerDown={(e) => begin(place, e)}
            onPointerMove={(e) => move(part, e)}
            onPointerUp={() => drop(true)}
            onPointerCancel={() => drop(false)}
            onKeyDown={(e) => onKey(part, place, e)}
          />
        );
      })}
    </>
  );
}

/** Whether a place lies about on the straight line between two others. */
function isOnLine(place: Vec, from: Vec, to: Vec): boolean {
  const along = subtract(to, from);
  const length = Math.hypot(along.x, along.y) || 1;
  const off = subtract(place, from);
  return Math.abs(along.x * off.y - along.y * off.x) / length < STRAIGHT;
}
