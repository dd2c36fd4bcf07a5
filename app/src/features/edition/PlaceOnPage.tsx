import type { Page } from '@marginalis/core/document';
import type { Drawing } from '@marginalis/core/drawing';
import {
  type Box,
  boxCentre,
  boxHeight,
  boxWidth,
  displayMatrix,
  displaySize,
  invertMatrix,
  transform,
  transformBox,
  type Vec,
} from '@marginalis/core/geometry';
import type { Mark } from '@marginalis/core/kinds';
import { type PointerEvent, useRef } from 'react';
import { useTheme } from 'react-native-paper';
import { PagePreview } from '@/shell';
import { DrawingSvg, gripManners, TOUCH } from '@/stage';
import { Area, arrowStep, G, Svg } from '@/ui';

const NOTHING: ReadonlyMap<string, Mark> = new Map();

/** A frame stands off from what it frames, and can be touched, CSS pixels. */
const OFF = 4;

/** A page, and what is to lie on it at a place that is tapped, dragged, or moved by the arrow keys. */
export function PlaceOnPage(props: {
  page: Page;
  drawing: Drawing;
  /** What is drawn lies so, in user space; its middle is its place. */
  area: Box;
  /** CSS pixels a point. */
  scale: number;
  onAt: (at: Vec) => void;
}) {
  const { page, drawing, area, scale, onAt } = props;
  const { colors } = useTheme();
  const size = displaySize(page);
  const [width, height] = [size.width * scale, size.height * scale];
  const toDisplay = displayMatrix(page);
  const seen = transformBox(toDisplay, area);
  const spot = boxCentre(seen);
  const wide = Math.max(TOUCH, boxWidth(seen) * scale + 2 * OFF);
  const high = Math.max(TOUCH, boxHeight(seen) * scale + 2 * OFF);
  /** No farther than the page goes. */
  const put = (x: number, y: number): void => {
    const within = (n: number, most: number): number => Math.min(most, Math.max(0, n));
    const there = { x: within(x, size.width), y: within(y, size.height) };
    onAt(transform(invertMatrix(toDisplay), there));
  };
  const dragged = useRef(false);
  const follow = (e: PointerEvent<HTMLDivElement>): void => {
    if (!dragged.current) return;
    const area = e.currentTarget.getBoundingClientRect();
    put((e.clientX - area.left) / scale, (e.clientY - area.top) / scale);
  };
  const end = (): void => {
    dragged.current = false;
  };
  return (
    <Area
      style={{ position: 'relative', width, height, touchAction: 'none', cursor: 'crosshair' }}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        dragged.current = true;
        follow(e);
      }}
      onPointerMove={follow}
      onPointerUp={end}
      onPointerCancel={end}
    >
      <PagePreview key={page.id} page={page} marks={NOTHING} width={width} tallest={height} />
      <Area aria-hidden style={{ position: 'absolute', inset: 0, pointerEvents: 'none' }}>
        <Svg width={width} height={height} viewBox={`0 0 ${size.width} ${size.height}`}>
          <G transform={`matrix(${toDisplay.join(' ')})`}>
            <DrawingSvg drawing={drawing} />
          </G>
        </Svg>
      </Area>
      <Area
        {...gripManners('place', 'Where it goes')}
        style={{
          ...{ position: 'absolute', boxSizing: 'border-box', cursor: 'move' },
          ...{ left: spot.x * scale - wide / 2, top: spot.y * scale - high / 2 },
          ...{ width: wide, height: high, border: `1.5px dashed ${colors.primary}` },
        }}
        onKeyDown={(e) => {
          const step = arrowStep(e);
          if (!step) return;
          e.preventDefault();
          put(spot.x + step.x, spot.y + step.y);
        }}
      />
    </Area>
  );
}
