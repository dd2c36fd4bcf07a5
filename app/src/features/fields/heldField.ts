import {
  type FieldMark,
  letterSize,
  placeOfWidget,
  type WidgetPlace,
} from '@marginalis/core/kinds';
import { distance, lerp, transform, type Vec } from '@marginalis/core/geometry';
import type { CSSProperties, KeyboardEvent } from 'react';
import type { Reader } from '@/shell';
import type { PlaceOnPage } from './placeOnPage';
import { stepField } from './step';

/** What every field of a page is given. */
export interface HeldField {
  readonly index: number;
  readonly place: PlaceOnPage;
  /** What was filled in; null while it is as its file has it. */
  readonly mark: FieldMark | null;
  readonly isHeld: boolean;
  readonly setHeld: (is: boolean) => void;
  readonly setProblem: (problem: string | null) => void;
  /** What is said about it, beneath it. */
  readonly told: string | null;
}

/** Letters that would be smaller than this while they are typed are brought nearer, to this, CSS pixels. */
const LEGIBLE = 12;
const COMFORTABLE = 16;
/** So much of the window's width is enough to begin in. */
const ENOUGH = 0.7;

/** From its upper left corner as it is read, clockwise, in user space. */
export function cornersOfWidget(widget: WidgetPlace): readonly [Vec, Vec, Vec, Vec] {
  const { place, width, height } = placeOfWidget(widget);
  const at = (x: number, y: number): Vec => transform(place, { x, y });
  return [at(0, 0), at(width, 0), at(width, -height), at(0, -height)];
}

/** Has one see what one fills in, large enough. */
export function bringNear({ stage }: Reader, index: number, { widget }: PlaceOnPage): void {
  const { height } = placeOfWidget(widget);
  const size = widget.letters ? letterSize(widget.letters, height) : height;
  const [a, b, c, d] = cornersOfWidget(widget);
  if (size * stage.getCamera().zoom < LEGIBLE)
    stage.zoomTo(COMFORTABLE / size, transform(stage.userToView(index), a));
  // Of one that is wider than the window where it begins.
  const room = (ENOUGH * stage.getView().width) / stage.getCamera().zoom;
  const share = Math.min(1, room / Math.max(1, distance(a, b)));
  stage.keepInSight(index, [a, lerp(a, b, share), lerp(d, c, share), d]);
}

/** The keys that lead on from a field: true where one of them was pressed. */
export function leadsOn(e: KeyboardEvent, reader: Reader, { index, place }: HeldField): boolean {
  // Nothing of the reader is meant by what is typed.
  e.stopPropagation();
  if (e.nativeEvent.isComposing) return false;
  const { widget } = place;
  if (e.key === 'Tab') void stepField(reader, { index, widget }, e.shiftKey ? -1 : 1);
  else if (e.key === 'Escape') reader.stage.getElement()?.focus({ preventScroll: true });
  else return false;
  e.preventDefault();
  return true;
}

/** A field fills its place, and is seen only while it has the keyboard: what stands there is drawn otherwise. */
export const inPlace = (isHeld: boolean): CSSProperties => ({
  position: 'absolute',
  inset: 0,
  width: '100%',
  height: '100%',
  margin: 0,
  border: 0,
  outline: 'none',
  boxSizing: 'border-box',
  opacity: isHeld ? 1 : 0,
});
