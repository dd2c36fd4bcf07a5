import { displaySize } from '@marginalis/core/geometry';
import type { ProvedPage } from '@marginalis/core/proof';
import { useEffect, useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { Area, RasterView } from '@/ui';
import { faultsOf } from './proofInWords';

/** Pages that are not as they ought to be, beside what the screen shows. `names` are what the pages of the copy are called. */
export function WrongPages({
  pages,
  names,
}: {
  pages: readonly ProvedPage[];
  names: readonly string[];
}) {
  const place = useRef<HTMLDivElement>(null);
  // The button has just been pressed at the other end of the sheet.
  useEffect(() => place.current?.scrollIntoView({ block: 'start' }), []);
  return (
    <Area ref={place}>
      <View style={styles.all}>
        {pages.map((page) => (
          <WrongPage
            key={page.proof.index}
            page={page}
            name={names[page.proof.index] ?? 'of notes'}
          />
        ))}
      </View>
    </Area>
  );
}

/** A page that is not as it ought to be, beside what the screen shows. */
function WrongPage({ page, name }: { page: ProvedPage; name: string }) {
  const { colors } = useTheme();
  const { width, height } = displaySize(page.geometry);
  const frames = page.proof.places.map(({ minX, minY, maxX, maxY }) => ({
    x: minX / width,
    y: minY / height,
    width: (maxX - minX) / width,
    height: (maxY - minY) / height,
  }));
  const pictures = [
    { label: 'On the screen', raster: page.wanted },
    { label: 'In the copy', raster: page.found },
  ];
  return (
    <View style={styles.wrong}>
      <Text variant="labelLarge">
        Page {name}: {faultsOf(page.proof).join('; ')}.
      </Text>
      <View style={styles.pair}>
        {pictures.map(({ label, raster }) => (
          <View key={label} style={styles.one}>
            <Text style={{ color: colors.onSurfaceVariant }}>{label}</Text>
            <View style={[styles.frame, { borderColor: colors.outlineVariant }]}>
              <RasterView
                label={`Page ${name}: ${label}`}
                raster={raster}
                frames={frames}
                colour={colors.primary}
              />
            </View>
          </View>
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: 10 },
  wrong: { gap: 6 },
  pair: { flexDirection: 'row', gap: 10 },
  one: { flex: 1, gap: 4 },
  frame: { borderWidth: 1 },
});
