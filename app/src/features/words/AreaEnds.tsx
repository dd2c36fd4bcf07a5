import { markChange } from '@marginalis/core/document';
import { resizeArea } from '@marginalis/core/editing';
import { areaBetween, areaEnds, type Strip, type WordsMark } from '@marginalis/core/kinds';
import {
  add,
  displayMatrix,
  displaySize,
  invertMatrix,
  transform,
  type Vec,
} from '@marginalis/core/geometry';
import { type KeyboardEvent, useState } from 'react';
import { useReader } from '@/shell';
import { Grip, usePageSeen } from '@/stage';
import { arrowStep } from '@/ui';
import { dragOverPages } from './dragOverPages';

/** What is seen of a grip, CSS pixels. */
const SEEN = 11;

/** Grips at both ends of an area that is picked by itself: by them it takes more of the page, or less. */
export function AreaEnds({ index, mark }: { index: number; mark: WordsMark }) {
  const reader = useReader();
  const { session } = reader;
  const page = usePageSeen(index);
  const [dragged, setDragged] = useState<Strip | null>(null);
  if (!page) return null;
  const ends = areaEnds(dragged ?? mark.strips[0], mark.manner);
  const display = displayMatrix(page);
  const { width, height } = displaySize(page);
  const change = (to: Vec, other: Vec, done: boolean): void => {
    const area = areaBetween(page, to, other, mark.manner);
    session.inHand.preview(done ? null : [markChange(mark, { ...mark, strips: [area] })]);
    setDragged(done ? null : area);
    if (done) session.dispatch(resizeArea(mark, area));
  };
  return (['start', 'end'] as const).map((side) => {
    const [own, other] = side === 'start' ? ends : [ends[1], ends[0]];
    const seen = transform(display, own);
    let shown: Vec | null = null;
    const onKey = (e: KeyboardEvent): void => {
      const step = arrowStep(e);
      if (!step) return;
      e.preventDefault();
      e.stopPropagation();
      change(transform(invertMatrix(display), add(seen, step)), other, true);
    };
    return (
      <Grip
        key={side}
        id={side}
        name={side === 'start' ? 'First corner of the area' : 'Last corner of the area'}
        left={`${(100 * seen.x) / width}%`}
        top={`${(100 * seen.y) / height}%`}
        seen={SEEN}
        round
        filled
        cursor="nwse-resize"
        zIndex={3}
        onPointerDown={(e) =>
          dragOverPages(reader, e.nativeEvent, {
            index,
            meant: own,
            follow(at) {
              shown = reader.stage.toUser(index, at);
              change(shown, other, false);
            },
            letGo: () => shown && change(shown, other, true),
          })
        }
        onKeyDown={onKey}
      />
    );
  });
}
