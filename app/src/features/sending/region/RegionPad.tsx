import { drawingOf, liesBeneath } from '@marginalis/core/derived';
import type { DocState } from '@marginalis/core/document';
import {
  boxHeight,
  boxWidth,
  displayMatrix,
  invertMatrix,
  transform,
  type Vec,
} from '@marginalis/core/geometry';
import { createSpeedPressure, type InkSample } from '@marginalis/core/ink';
import { instrumentStyle, writes, type WritingInstrument } from '@marginalis/core/marks';
import type { Raster } from '@marginalis/core/pdfium';
import { type PointerEvent, useMemo, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { ActivityIndicator, Text, useTheme } from 'react-native-paper';
import { useSession, useSettings } from '@/session';
import { samplesOf } from '@/shell';
import { DrawingSvg } from '@/stage';
import { Action, Area, G, Path, paperIcon, RasterView, Svg } from '@/ui';
import { withStroke } from './inkOn';
import { drawOnRegion, type TakenRegion } from './regions';

/** Of the window's height, what the part has at most. */
const MOST_HEIGHT = '46vh';

interface Live {
  /** Of all that touches the pad, what draws: a palm beside the pen does not. */
  readonly pointer: number;
  readonly instrument: WritingInstrument;
  readonly samples: InkSample[];
  readonly pressureOf: (place: Vec, t: number) => number;
}

/** The part of a page that is to leave, and a pad: what is drawn on it leaves with it, and is nowhere else. */
export function RegionPad(props: {
  /** The document with the page alone, without what is drawn here. */
  document: DocState;
  taken: TakenRegion;
  name: string;
  picture: Raster | null;
  trouble: string | null;
}) {
  const { document, taken, name, picture, trouble } = props;
  const { region, ink } = taken;
  const { area } = region;
  const [page] = document.pages;
  const pad = useRef<HTMLDivElement>(null);
  const live = useRef<Live | null>(null);
  const [shown, setShown] = useState<readonly Vec[]>([]);
  const instrument = useWriting();
  const { fingers } = useSession();
  const { colors } = useTheme();
  const toUser = useMemo(() => invertMatrix(displayMatrix(page)), [page]);
  const userAt = ({ clientX, clientY }: globalThis.PointerEvent): Vec => {
    const r = pad.current?.getBoundingClientRect();
    if (!r) return { x: 0, y: 0 };
    return transform(toUser, {
      x: area.minX + ((clientX - r.left) * boxWidth(area)) / r.width,
      y: area.minY + ((clientY - r.top) * boxHeight(area)) / r.height,
    });
  };
  const take = (event: PointerEvent): void => {
    const { current } = live;
    if (current?.pointer !== event.pointerId) return;
    for (const one of samplesOf(event.nativeEvent)) {
      const at = userAt(one);
      const t = one.timeStamp;
      current.samples.push(
        one.pointerType === 'pen'
          ? { ...at, t, pressure: one.pressure, tiltX: one.tiltX, tiltY: one.tiltY }
          : { ...at, t, pressure: current.pressureOf(at, t) },
      );
    }
    setShown([...current.samples]);
  };
  const begin = (e: PointerEvent): void => {
    if (!instrument || live.current || (e.pointerType === 'mouse' && e.button !== 0)) return;
    if (e.pointerType === 'touch' && !fingers.fingersWrite()) return;
    pad.current?.setPointerCapture(e.pointerId);
    live.current = {
      ...{ instrument, pointer: e.pointerId, samples: [] },
      pressureOf: createSpeedPressure(),
    };
    take(e);
  };
  const end = (e: PointerEvent, keep: boolean): void => {
    const { current } = live;
    if (current?.pointer !== e.pointerId) return;
    live.current = null;
    setShown([]);
    if (!keep) return;
    const { samples } = current;
    const id = crypto.randomUUID();
    const stroke = {
      id,
      page: page.id,
      instrument: current.instrument,
      samples,
      madeAt: Date.now(),
    };
    drawOnRegion(withStroke(document, ink, stroke));
  };
  return (
    <View style={styles.all}>
      <Area
        ref={pad}
        onPointerDown={begin}
        onPointerMove={take}
        onPointerUp={(e) => end(e, true)}
        onPointerCancel={(e) => end(e, false)}
        style={{
          position: 'relative',
          alignSelf: 'center',
          // As wide as its height allows.
          width: `min(100%, calc(${MOST_HEIGHT} * ${boxWidth(area) / boxHeight(area)}))`,
          aspectRatio: `${boxWidth(area)} / ${boxHeight(area)}`,
          background: '#ffffff',
          outline: `1px solid ${colors.outlineVariant}`,
          touchAction: 'none',
          cursor: instrument ? 'crosshair' : 'default',
        }}
      >
        {picture && <RasterView label={`${name} as it leaves`} raster={picture} />}
        <Svg
          aria-hidden
          viewBox={[area.minX, area.minY, boxWidth(area), boxHeight(area)].join(' ')}
          style={{ position: 'absolute', inset: 0, width: '100%', height: '100%' }}
        >
          <G transform={`matrix(${displayMatrix(page).join(' ')})`}>
            {ink.map((mark) => (
              <G key={mark.id} style={{ mixBlendMode: liesBeneath(mark) ? 'multiply' : 'normal' }}>
                <DrawingSvg drawing={drawingOf(mark)} />
              </G>
            ))}
            {instrument && shown.length > 0 && <LiveLine points={shown} by={instrument} />}
          </G>
        </Svg>
        {!picture && (
          <View style={styles.waiting}>
            {trouble ? (
              <Text>{trouble}</Text>
            ) : (
              <ActivityIndicator accessibilityLabel="Drawing the part" />
            )}
          </View>
        )}
      </Area>
      <View style={styles.row}>
        <Text style={[styles.says, { color: colors.onSurfaceVariant }]}>
          What is drawn on it here leaves with it, and is not kept on the page.
        </Text>
        <Action
          icon={paperIcon('undo')}
          disabled={ink.length === 0}
          onPress={() => drawOnRegion(ink.slice(0, -1))}
        >
          Take back a stroke
        </Action>
      </View>
    </View>
  );
}

/** The instrument in hand where it writes; the first one that does where it does not; null where none is there. */
function useWriting(): WritingInstrument | null {
  const { hand } = useSession();
  const roll = useSettings((s) => s.roll);
  return [hand.instrument(), ...roll].find(writes) ?? null;
}

/** What is under the pen, until it becomes ink. */
function LiveLine({ points, by }: { points: readonly Vec[]; by: WritingInstrument }) {
  const { colour, opacity, width } = instrumentStyle(by);
  const [first] = points;
  const line = points.map(({ x, y }) => `L${x} ${y}`).join('');
  return (
    <Path
      d={`M${first.x} ${first.y}${line}`}
      fill="none"
      stroke={colour}
      strokeOpacity={opacity}
      strokeWidth={width}
      strokeLinecap="round"
      strokeLinejoin="round"
    />
  );
}

const styles = StyleSheet.create({
  all: { gap: 8 },
  waiting: { position: 'absolute', inset: 0, alignItems: 'center', justifyContent: 'center' },
  row: { flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap', gap: 8 },
  says: { flexGrow: 1, flexBasis: 200 },
});
