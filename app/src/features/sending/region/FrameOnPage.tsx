import { displaySize, type Vec } from '@marginalis/core/geometry';
import { type Region, regionBetween, regionCarried } from '@marginalis/core/leaving';
import type { Page } from '@marginalis/core/document';
import { type KeyboardEvent, type PointerEvent, useContext, useRef } from 'react';
import { useTheme } from 'react-native-paper';
import { AttendedContext, Grip, usePageSeen, useStage } from '@/stage';
import { Area, arrowStep } from '@/ui';
import { frameRegion, useRegions } from './regions';
import { seenAt } from './seenOn';

/** What is seen of a corner, CSS pixels. */
const SEEN = 14;
/** Above everything else on a page. */
const TOP = 40;
/** What does not leave is dark. */
const SHADE = 'rgba(20, 28, 48, 0.5)';

const CORNERS = [
  { id: 'nw', name: 'Upper left corner of the frame', x: 'min', y: 'min', cursor: 'nwse-resize' },
  { id: 'ne', name: 'Upper right corner of the frame', x: 'max', y: 'min', cursor: 'nesw-resize' },
  { id: 'se', name: 'Lower right corner of the frame', x: 'max', y: 'max', cursor: 'nwse-resize' },
  { id: 'sw', name: 'Lower left corner of the frame', x: 'min', y: 'max', cursor: 'nesw-resize' },
] as const;

/** While a part of a page is asked for: the frame on it, drawn by a drag anywhere (`FrameWriter`) and changed by its corners. */
export function FrameOnPage({ index }: { index: number }) {
  const { framed } = useRegions();
  const page = usePageSeen(index);
  if (!page || framed === undefined) return null;
  return <Frame page={page} index={index} framed={framed?.page === page.id ? framed : null} />;
}

function Frame(props: { page: Page; index: number; framed: Region | null }) {
  const { page, index, framed } = props;
  const { controller } = useStage();
  const isAttended = useContext(AttendedContext);
  /** The corner that stays while the other is dragged. */
  const fixed = useRef<Vec | null>(null);
  const { colors } = useTheme();
  const { width, height } = displaySize(page);
  const begin = (e: PointerEvent, from: Vec): void => {
    e.preventDefault();
    controller.locate();
    e.currentTarget.setPointerCapture(e.pointerId);
    fixed.current = from;
  };
  const move = (e: PointerEvent): void => {
    if (!fixed.current) return;
    const region = regionBetween(page, fixed.current, seenAt(controller, index, e));
    if (region) frameRegion(region);
  };
  const end = (): void => {
    fixed.current = null;
  };
  const share = (at: number, of: number): string => `${(100 * at) / of}%`;
  return (
    <Area
      // In a window that nobody works in yet the pen does not frame: a touch only comes to it.
      data-control={isAttended ? undefined : true}
      style={{
        position: 'absolute',
        inset: 0,
        overflow: 'hidden',
        touchAction: 'none',
        cursor: 'crosshair',
        zIndex: TOP,
        background: framed ? 'none' : SHADE,
      }}
    >
      {framed && (
        <>
          <Area
            aria-hidden
            style={{
              position: 'absolute',
              left: share(framed.area.minX, width),
              top: share(framed.area.minY, height),
              width: share(framed.area.maxX - framed.area.minX, width),
              height: share(framed.area.maxY - framed.area.minY, height),
              boxShadow: `0 0 0 9999px ${SHADE}`,
              outline: `2px solid ${colors.primary}`,
              pointerEvents: 'none',
            }}
          />
          {CORNERS.map(({ id, name, x, y, cursor }) => (
            <Grip
              key={id}
              id={`frame-${id}`}
              name={name}
              left={share(x === 'min' ? framed.area.minX : framed.area.maxX, width)}
              top={share(y === 'min' ? framed.area.minY : framed.area.maxY, height)}
              seen={SEEN}
              round={false}
              filled
              cursor={cursor}
              zIndex={1}
              onPointerDown={(e) =>
                begin(e, {
                  x: x === 'min' ? framed.area.maxX : framed.area.minX,
                  y: y === 'min' ? framed.area.maxY : framed.area.minY,
                })
              }
              onPointerMove={move}
              onPointerUp={end}
              onPointerCancel={end}
              onKeyDown={(e: KeyboardEvent) => {
                const by = arrowStep(e);
                if (!by) return;
                e.preventDefault();
                e.stopPropagation();
                frameRegion(regionCarried(framed, page, by, { x, y }));
              }}
            />
          ))}
        </>
      )}
    </Area>
  );
}
