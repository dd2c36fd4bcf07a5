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
import { instrumentStyle, type WritingInstrument } from '@marginalis/core/marks';
import type { Raster } from '@marginalis/core/pdfium';
import { useMemo, useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { ActivityIndicator, Text, useTheme } from 'react-native-paper';
import { DrawingSvg } from '@/stage';
import { Action, Area, G, Path, paperIcon, RasterView, Svg } from '@/ui';
import { withStroke } from './inkOn';
import { drawOnRegion, type TakenRegion } from './regions';
import { usePadStroke } from './usePadStroke';

/** Of the window's height, what the part has at most. */
const MOST_HEIGHT = '46vh';

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
  const { colors } = useTheme();
  const toUser = useMemo(() => invertMatrix(displayMatrix(page)), [page]);
  const userAt = ({ clientX, clientY }: MouseEvent): Vec => {
    const r = pad.current?.getBoundingClientRect();
    if (!r) return { x: 0, y: 0 };
    return transform(toUser, {
      x: area.minX + ((clientX - r.left) * boxWidth(area)) / r.width,
      y: area.minY + ((clientY - r.top) * boxHeight(area)) / r.height,
    });
  };
  const { instrument, line, ...touched } = usePadStroke(userAt, ({ samples, instrument: by }) => {
    const stroke = { id: crypto.randomUUID(), page: page.id, samples, instrument: by };
    drawOnRegion(withStroke(document, ink, { ...stroke, madeAt: Date.now() }));
  });
  return (
    <View style={styles.all}>
      <Area
        ref={pad}
        {...touched}
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
            {instrument && line.length > 0 && <LiveLine points={line} by={instrument} />}
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
