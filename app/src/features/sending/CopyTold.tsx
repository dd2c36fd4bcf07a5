import { displaySize } from '@marginalis/core/geometry';
import type { FixedCopy } from '@marginalis/core/pdf';
import type { ProvedPage } from '@marginalis/core/proof';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { RasterView, sizeInWords } from '@/ui';
import { faultsOf, proofInWords } from './proofInWords';
import type { MadeCopy } from './useFixedCopy';

const MOST_NAMED = 5;

/** The first few of many, and how many more there are. */
const fewOf = (names: readonly string[]): readonly string[] =>
  names.length <= MOST_NAMED
    ? names
    : [...names.slice(0, MOST_NAMED), `and ${names.length - MOST_NAMED} more`];

/** What a copy has become, and what its proof says. `names` are what its pages are called. */
export function CopyTold({ made, names }: { made: MadeCopy; names: readonly string[] }) {
  const { colors } = useTheme();
  const { copy, proved } = made;
  return (
    <View style={styles.all}>
      <Text role="status" testID="copy-made" style={{ color: colors.onSurfaceVariant }}>
        {copyInWords(copy)}
      </Text>
      {proved.proof ? (
        <Text
          role={proved.proof.alike ? 'status' : 'alert'}
          testID="proof"
          style={{ color: proved.proof.alike ? colors.onSurfaceVariant : colors.error }}
        >
          {proofInWords(proved.proof)}
        </Text>
      ) : (
        <Text role="status" testID="proof" style={{ color: colors.onSurfaceVariant }}>
          This copy was not compared with the screen: {proved.why}
        </Text>
      )}
      {proved.proof &&
        proved.wrong.map((page) => (
          <WrongPage
            key={page.proof.index}
            page={page}
            name={names[page.proof.index] ?? 'of notes'}
          />
        ))}
    </View>
  );
}

function copyInWords(copy: FixedCopy): string {
  const dropped = [...new Set(copy.annotationsDropped)];
  const lost = fewOf([...new Set(copy.linksDropped)]);
  const said = [
    `Ready: ${copy.pages === 1 ? '1 page' : `${copy.pages} pages`}, ${sizeInWords(copy.bytes.length)}.`,
    copy.annotationsDrawn > 0 &&
      `${copy.annotationsDrawn} annotations of the original were drawn in.`,
    dropped.length > 0 && `Left out, since they show nothing on the page: ${dropped.join(', ')}.`,
    copy.encryptionLost && 'The original is encrypted; this copy is not.',
    lost.length > 0 && `Links that do not work in the copy: ${lost.join(', ')}.`,
    copy.formDamaged &&
      'Its form is damaged: fields that bring no picture of their own are missing.',
  ];
  return said.filter(Boolean).join(' ');
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
