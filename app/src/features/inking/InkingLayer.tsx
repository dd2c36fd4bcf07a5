import { useEffect, useRef } from 'react';
import { useTheme } from 'react-native-paper';
import { useSession } from '@/session';
import { useStage } from '@/stage';
import { Area, Canvas } from '@/ui';
import { PenWriter } from './PenWriter';

const full = { position: 'absolute', inset: 0, pointerEvents: 'none' } as const;

/** The live ink above the pages. */
export function InkingLayer() {
  const hold = useStage();
  const session = useSession();
  const { colors } = useTheme();
  const group = useRef<HTMLDivElement>(null);
  const settled = useRef<HTMLCanvasElement>(null);
  const tip = useRef<HTMLCanvasElement>(null);
  const ring = useRef<HTMLDivElement>(null);

  useEffect(() => {
    if (!group.current || !settled.current || !tip.current || !ring.current) return undefined;
    const { controller } = hold;
    const canvases = {
      group: group.current,
      settled: settled.current,
      tip: tip.current,
    };
    const writer = new PenWriter(controller, session, canvases, ring.current);
    const layDown = hold.takePen(writer);
    const fit = (): void => {
      const dpr = window.devicePixelRatio || 1;
      const { width, height } = controller.getView();
      for (const canvas of [canvases.settled, canvases.tip]) {
        const w = Math.round(width * dpr);
        const h = Math.round(height * dpr);
        if (canvas.width === w && canvas.height === h) continue;
        canvas.width = w;
        canvas.height = h;
        canvas.style.width = `${width}px`;
        canvas.style.height = `${height}px`;
      }
      writer.redraw();
    };
    fit();
    const unsubscribe = controller.subscribe(fit);
    return () => {
      unsubscribe();
      layDown();
    };
  }, [hold, session]);

  return (
    <>
      <Area ref={group} style={full} aria-hidden>
        <Canvas ref={settled} style={full} />
        <Canvas ref={tip} style={full} />
      </Area>
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
