import { transform } from '@marginalis/core/geometry';
import { cornersOfBox } from '@marginalis/core/kinds';
import { type RefObject, useEffect } from 'react';
import { useReader } from '@/shell';
import { keepTextInSight } from './keepTextInSight';
import type { Typing } from './Typing';

/** Letters that would be smaller than this while they are typed are brought nearer, to this, CSS pixels. */
const LEGIBLE = 12;
const COMFORTABLE = 16;

/** Has one see what one types: large enough, where its lines begin, and as far as it reaches. */
export function useTextInSight(
  field: RefObject<HTMLElement | null>,
  typing: Typing,
  index: number,
): void {
  const reader = useReader();
  useEffect(() => {
    const { stage } = reader;
    const { mark: box } = typing;
    const [{ style }] = box.block.spans;
    // On a phone a page is often seen so small that nobody could read what they type.
    if (style.size * stage.getCamera().zoom < LEGIBLE)
      stage.zoomTo(
        COMFORTABLE / style.size,
        transform(stage.userToView(index), cornersOfBox(box)[0]),
      );
    keepTextInSight(reader, index, box);
  }, [reader, typing, index]);
  useEffect(() => {
    const element = field.current;
    const { stage } = reader;
    if (!element) return undefined;
    // It can be longer than its page.
    const grown = new ResizeObserver(() => {
      const { mark: box } = typing;
      const height = element.offsetHeight / stage.getCamera().zoom - 2 * box.padding;
      stage.reach(index, cornersOfBox({ ...box, height }));
    });
    grown.observe(element);
    return () => {
      grown.disconnect();
      stage.reach(index, null);
    };
  }, [field, reader, typing, index]);
}
