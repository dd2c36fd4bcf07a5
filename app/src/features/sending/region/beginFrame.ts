import { lerp } from '@marginalis/core/geometry';
import { type Region, regionBetween } from '@marginalis/core/leaving';
import type { Reader } from '@/shell';
import type { StageController } from '@/stage';
import { askForRegion } from './regions';
import { seenOn } from './seenOn';

/** What share of the page in sight a frame leaves out at each side, to begin with. */
const INSET = 0.2;

/** Has a part of a page framed; what is offered or picked there makes way. */
export function beginFrame({ session, stage }: Pick<Reader, 'session' | 'stage'>): void {
  session.offers.dismiss();
  session.inHand.pick([]);
  askForRegion(session, firstFrame(stage));
}

/** A frame in the middle of what the window shows of the page in sight. */
function firstFrame(stage: StageController): Region | null {
  const { current } = stage.getSight();
  const page = stage.pages[current];
  if (!page) return null;
  const { width, height } = stage.getView();
  const [head, foot] = [
    { x: 0, y: 0 },
    { x: width, y: height },
  ].map((at) => seenOn(stage, current, at));
  const whole = regionBetween(page, head, foot);
  if (!whole) return null;
  const { minX, minY, maxX, maxY } = whole.area;
  const [a, b] = [
    { x: minX, y: minY },
    { x: maxX, y: maxY },
  ];
  return regionBetween(page, lerp(a, b, INSET), lerp(a, b, 1 - INSET));
}
