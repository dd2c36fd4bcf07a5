import { useEffect, useRef } from 'react';
import { NIGHT_FILTER, useLook, useStage } from '@/stage';
import { Area } from '@/ui';
import type { ReaderFeature } from './feature';
import { useReader } from './ReaderContext';
import { WriterRouter } from './WriterRouter';
import { WritingTools } from './writing';

const full = { position: 'absolute', inset: 0, pointerEvents: 'none' } as const;

/** As ink will look when it lies on the page. */
const byNight = { ...full, filter: NIGHT_FILTER, mixBlendMode: 'screen' } as const;

/** What is being written, above the pages. */
export function WritingLayer({ features }: { features: readonly ReaderFeature[] }) {
  const hold = useStage();
  const look = useLook();
  const reader = useReader();
  const live = useRef<HTMLDivElement>(null);
  const ring = useRef<HTMLDivElement>(null);

  useEffect(() => {
    if (!live.current || !ring.current) return undefined;
    const { controller } = hold;
    const tools = new WritingTools(controller, live.current, ring.current);
    const router = new WriterRouter(reader, tools, features);
    const layDown = hold.takePen(router);
    const fit = (): void => router.fit();
    fit();
    const unsubscribe = controller.subscribe(fit);
    // A finger that moves the paper does what was asked of the next touch by tapping.
    const untap = controller.touches.tap(({ index, event }) => {
      const page = controller.elementOf(index);
      return page !== null && reader.session.hand.takeTouch(page, event);
    }, true);
    return () => {
      untap();
      unsubscribe();
      router.leave();
      layDown();
    };
  }, [hold, reader, features]);

  return (
    <>
      <Area ref={live} data-layer="live" style={look === 'night' ? byNight : full} aria-hidden />
      <Area ref={ring} style={full} aria-hidden />
    </>
  );
}
