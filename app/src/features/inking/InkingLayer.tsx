import { useEffect, useRef } from 'react';
import { useTheme } from 'react-native-paper';
import { useSession } from '@/session';
import { useStage } from '@/stage';
import { Area } from '@/ui';
import { PenWriter } from './PenWriter';

const full = { position: 'absolute', inset: 0, pointerEvents: 'none' } as const;

/** The live ink above the pages. */
export function InkingLayer() {
  const hold = useStage();
  const session = useSession();
  const { colors } = useTheme();
  const live = useRef<HTMLDivElement>(null);
  const ring = useRef<HTMLDivElement>(null);

  useEffect(() => {
    if (!live.current || !ring.current) return undefined;
    const { controller } = hold;
    const writer = new PenWriter(controller, session, live.current, ring.current);
    const layDown = hold.takePen(writer);
    const fit = (): void => writer.fit();
    fit();
    const unsubscribe = controller.subscribe(fit);
    return () => {
      unsubscribe();
      writer.leave();
      layDown();
    };
  }, [hold, session]);

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
        }}
      />
    </>
  );
}
