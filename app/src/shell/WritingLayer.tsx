import { useEffect, useRef } from 'react';
import { useTheme } from 'react-native-paper';
import { useStage } from '@/stage';
import { Area } from '@/ui';
import type { ReaderFeature } from './feature';
import { useReader } from './ReaderContext';
import { WriterRouter } from './WriterRouter';
import { WritingTools } from './writing';

const full = { position: 'absolute', inset: 0, pointerEvents: 'none' } as const;

/** What is being written, above the pages. */
export function WritingLayer({ features }: { features: readonly ReaderFeature[] }) {
  const hold = useStage();
  const reader = useReader();
  const { colors } = useTheme();
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
    return () => {
      unsubscribe();
      router.leave();
      layDown();
    };
  }, [hold, reader, features]);

  return (
    <>
      <Area ref={live} data-layer="live" style={full} aria-hidden />
      <Area
        ref={ring}
        aria-hidden
        style={{
          position: 'absolute',
          left: 0,
          top: 0,
          display: 'none',
          borderRadius: '50%',
          boxSizing: 'border-box',
          border: `1px solid ${colors.secondary}`,
          boxShadow: '0 0 0 1px rgba(255,255,255,0.8)',
          pointerEvents: 'none',
          // It follows the pen in every frame, and nothing else is painted again for it.
          willChange: 'transform',
        }}
      />
    </>
  );
}
