import type { Vec } from '@marginalis/core/geometry';
import type { Quad } from '@marginalis/core/photographed';
import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import { useTheme } from 'react-native-paper';
import { Grip } from '@/stage';
import { Area, arrowStep } from '@/ui';

/** A step of an arrow key, shares of a side. */
const STEP = 0.004;
const NAMES = ['Upper left', 'Upper right', 'Lower right', 'Lower left'] as const;

/** A photograph with the corners of the sheet on it, which are dragged, or moved by keys. */
export function CornersFrame(props: {
  address: string;
  aspect: number;
  /** In shares of the sides. */
  corners: Quad;
  onCorners: (corners: Quad) => void;
}) {
  const { address, aspect, corners, onCorners } = props;
  const { colors } = useTheme();
  const host = useRef<HTMLDivElement>(null);
  const drag = useRef<number | null>(null);
  const put = (k: number, { x, y }: Vec): void =>
    onCorners(
      corners.map((corner, i) =>
        i === k ? { x: within(x), y: within(y) } : corner,
      ) as unknown as Quad,
    );
  const move = (e: PointerEvent): void => {
    const area = host.current?.getBoundingClientRect();
    if (drag.current === null || !area) return;
    put(drag.current, {
      x: (e.clientX - area.left) / area.width,
      y: (e.clientY - area.top) / area.height,
    });
  };
  const press = (k: number, e: KeyboardEvent): void => {
    const step = arrowStep(e);
    if (!step) return;
    e.preventDefault();
    put(k, { x: corners[k].x + STEP * step.x, y: corners[k].y + (STEP * step.y) / aspect });
  };
  return (
    <Area
      style={{
        maxWidth: '100%',
        width: `min(100%, calc(46vh * ${aspect}))`,
        alignSelf: 'center',
        margin: 12,
      }}
    >
      <Area
        ref={host}
        role="group"
        aria-label="Corners of the sheet"
        style={{ position: 'relative', aspectRatio: String(aspect), touchAction: 'none' }}
      >
        <img
          src={address}
          alt="The photograph"
          draggable={false}
          style={{ width: '100%', height: '100%', display: 'block' }}
        />
        <svg
          viewBox="0 0 1 1"
          preserveAspectRatio="none"
          aria-hidden
          style={{ position: 'absolute', inset: 0, width: '100%', height: '100%' }}
        >
          <path
            d={`M0 0H1V1H0Z${pathOf(corners)}`}
            fill="rgba(26, 41, 71, 0.5)"
            fillRule="evenodd"
          />
          <path
            d={pathOf(corners)}
            fill="none"
            stroke={colors.primary}
            strokeWidth={2}
            vectorEffect="non-scaling-stroke"
          />
        </svg>
        {corners.map(({ x, y }, k) => (
          <Grip
            key={NAMES[k]}
            id={NAMES[k]}
            name={`${NAMES[k]} corner of the sheet`}
            left={`${100 * x}%`}
            top={`${100 * y}%`}
            seen={16}
            round
            filled={false}
            cursor="crosshair"
            zIndex={1}
            onPointerDown={(e) => {
              e.currentTarget.setPointerCapture(e.pointerId);
              drag.current = k;
            }}
            onPointerMove={move}
            onPointerUp={() => (drag.current = null)}
            onPointerCancel={() => (drag.current = null)}
            onKeyDown={(e) => press(k, e)}
          />
        ))}
      </Area>
    </Area>
  );
}

const within = (share: number): number => Math.min(1, Math.max(0, share));

const pathOf = (corners: Quad): string => `M${corners.map(({ x, y }) => `${x} ${y}`).join('L')}Z`;
