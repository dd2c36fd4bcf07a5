import { type Box, box, boxHeight, boxWidth } from '@marginalis/core/geometry';
import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import { useTheme } from 'react-native-paper';
import { Area, arrowStep } from '@/ui';
import { Grip } from './Grip';

/** What stays is no narrower, shares of a side. */
const LEAST = 0.02;
/** A step of an arrow key, shares of a side. */
const STEP = 0.01;

const CORNERS = [
  { id: 'upper-left', name: 'Upper left corner', x: 'minX', y: 'minY' },
  { id: 'upper-right', name: 'Upper right corner', x: 'maxX', y: 'minY' },
  { id: 'lower-right', name: 'Lower right corner', x: 'maxX', y: 'maxY' },
  { id: 'lower-left', name: 'Lower left corner', x: 'minX', y: 'maxY' },
] as const;
type Corner = (typeof CORNERS)[number];

export const WHOLE: Box = box(0, 0, 1, 1);

/** A picture, and around the part of it that is to stay a frame that is dragged by its corners, or by keys. */
export function CropFrame(props: {
  /** Where the picture is. */
  address: string;
  says: string;
  /** Its width by its height. */
  aspect: number;
  /** In shares of its sides, from its upper left corner. */
  part: Box;
  onPart: (part: Box) => void;
}) {
  const { address, says, aspect, part, onPart } = props;
  const { colors } = useTheme();
  const host = useRef<HTMLDivElement>(null);
  const drag = useRef<Corner | null>(null);

  const dragged = ({ x, y }: Corner, to: { readonly x: number; readonly y: number }): void => {
    const within = (n: number): number => Math.min(1, Math.max(0, n));
    const next = { ...part, [x]: within(to.x), [y]: within(to.y) };
    // A corner stops at its neighbours.
    if (x === 'minX') next.minX = Math.min(next.minX, part.maxX - LEAST);
    else next.maxX = Math.max(next.maxX, part.minX + LEAST);
    if (y === 'minY') next.minY = Math.min(next.minY, part.maxY - LEAST);
    else next.maxY = Math.max(next.maxY, part.minY + LEAST);
    onPart(next);
  };
  const move = (e: PointerEvent): void => {
    const area = host.current?.getBoundingClientRect();
    if (!drag.current || !area) return;
    const x = (e.clientX - area.left) / area.width;
    const y = (e.clientY - area.top) / area.height;
    dragged(drag.current, { x, y });
  };
  const press = (corner: Corner, e: KeyboardEvent): void => {
    const step = arrowStep(e);
    if (!step) return;
    e.preventDefault();
    const [x, y] = [part[corner.x] + STEP * step.x, part[corner.y] + STEP * step.y];
    dragged(corner, { x, y });
  };
  const percent = (share: number): string => `${100 * share}%`;
  return (
    <Area
      style={{
        maxWidth: '100%',
        width: `min(100%, calc(38vh * ${aspect}))`,
        alignSelf: 'center',
        // Corners that lie in those of the picture can be touched there, too.
        margin: 12,
      }}
    >
      <Area
        ref={host}
        role="group"
        aria-label="What of the picture stays"
        style={{ position: 'relative', aspectRatio: String(aspect), touchAction: 'none' }}
      >
        <img
          src={address}
          alt={says}
          draggable={false}
          style={{ width: '100%', height: '100%', display: 'block' }}
        />
        <Area
          aria-hidden
          style={{
            position: 'absolute',
            left: percent(part.minX),
            top: percent(part.minY),
            width: percent(boxWidth(part)),
            height: percent(boxHeight(part)),
            boxSizing: 'border-box',
            border: `2px solid ${colors.primary}`,
            outline: '1px solid rgba(255,255,255,0.9)',
            boxShadow: '0 0 0 9999px rgba(26, 41, 71, 0.5)',
            clipPath: clipOf(part),
            pointerEvents: 'none',
          }}
        />
        {CORNERS.map((corner) => (
          <Grip
            key={corner.id}
            id={corner.id}
            name={corner.name}
            left={percent(part[corner.x])}
            top={percent(part[corner.y])}
            seen={14}
            round={false}
            filled={false}
            cursor="crosshair"
            zIndex={1}
            onPointerDown={(e) => {
              e.currentTarget.setPointerCapture(e.pointerId);
              drag.current = corner;
            }}
            onPointerMove={move}
            onPointerUp={() => (drag.current = null)}
            onPointerCancel={() => (drag.current = null)}
            onKeyDown={(e) => press(corner, e)}
          />
        ))}
      </Area>
    </Area>
  );
}

/** What lies around the part is darkened as far as the picture goes. */
function clipOf({ minX, minY, maxX, maxY }: Box): string {
  const [w, h] = [maxX - minX, maxY - minY];
  const side = (share: number, of: number): string => `${(-100 * share) / of}%`;
  return `inset(${side(minY, h)} ${side(1 - maxX, w)} ${side(1 - maxY, h)} ${side(minX, w)})`;
}
