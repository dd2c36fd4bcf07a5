import { distance, lerp } from '@marginalis/core/geometry';
import { cornersOfBox, type TextMark } from '@marginalis/core/kinds';
import type { Reader } from '@/shell';

/** So much of the window's width is enough to begin in. */
const ENOUGH = 0.7;

/** Brings a text into sight; of one that is wider than the window where its lines begin. */
export function keepTextInSight({ stage }: Reader, index: number, mark: TextMark): void {
  const [a, b, c, d] = cornersOfBox(mark);
  const room = (ENOUGH * stage.getView().width) / stage.getCamera().zoom;
  const share = Math.min(1, room / Math.max(1, distance(a, b)));
  stage.keepInSight(index, [a, lerp(a, b, share), lerp(d, c, share), d]);
}
