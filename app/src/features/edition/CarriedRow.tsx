import type { Page } from '@marginalis/core/document';
import type { Mark } from '@marginalis/core/kinds';
import { memo } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { CheckBox, Icon, IconAction } from '@/ui';
import { nameOf, saidOf } from './inWords';
import { PlacePicture } from './PlacePicture';
import type { Unit } from './units';

/** Height of a row: a picture and two lines. */
export const ROW_HEIGHT = 168;
const PICTURE_HEIGHT = 96;

/** Marks that go together: where they were, where they go, and how sure that is. */
export const CarriedRow = memo(function CarriedRow(props: {
  unit: Unit;
  /** As they were, with the page they were on. */
  marks: readonly Mark[];
  before: Page;
  /** The page they go to; null where there is none. */
  after: Page | null;
  taken: boolean;
  /** What there is for both pictures, CSS pixels. */
  room: number;
  onToggle: (unit: number) => void;
  /** It is put elsewhere; null where it can lie nowhere else. */
  onMove: ((unit: number) => void) | null;
}) {
  const { unit, marks, before, after, taken, room, onToggle, onMove } = props;
  const { colors } = useTheme();
  const [first] = unit.placed;
  const isDecided = first.verdict === 'certain';
  const width = Math.floor((room - ARROW) / 2) - EDGE;
  const what = nameOf(marks);
  const now = unit.placed.flatMap(({ after: mark }) => (mark ? [mark] : []));
  const said = saidOf(unit);
  const picture = { width, height: PICTURE_HEIGHT };
  return (
    <View style={[styles.row, { borderColor: colors.outlineVariant }]}>
      <View style={styles.head}>
        <View style={styles.what}>
          <Text variant="bodyMedium" numberOfLines={1}>
            {what}
          </Text>
          <Text
            variant="bodySmall"
            numberOfLines={1}
            style={{ color: isDecided ? colors.onSurfaceVariant : colors.error }}
          >
            {said}
          </Text>
        </View>
        {onMove && (
          <IconAction
            icon="move"
            label={`Move: ${what}, ${said}`}
            onPress={() => onMove(unit.unit)}
          />
        )}
        {after ? (
          <CheckBox
            label={`Carry over: ${what}, ${said}`}
            hint={taken ? 'Leave it' : 'Carry it over'}
            on={taken}
            disabled={false}
            onPress={() => onToggle(unit.unit)}
          />
        ) : (
          <View style={styles.bare} />
        )}
      </View>
      <View style={styles.pictures}>
        <PlacePicture
          {...picture}
          name={`was ${unit.unit}`}
          page={before}
          marks={marks}
          label="Where it was"
        />
        <View style={styles.arrow}>
          <Icon name="right" size={20} color={after ? colors.onSurface : colors.outlineVariant} />
        </View>
        {after && now.length > 0 ? (
          <PlacePicture
            {...picture}
            // Elsewhere it is another picture.
            name={`is ${unit.unit} ${first.page} ${first.map?.slice(4).map(Math.round).join(' ')}`}
            page={after}
            marks={now}
            label="Where it goes"
          />
        ) : (
          <View style={[styles.none, { width, borderColor: colors.outlineVariant }]}>
            <Text variant="bodySmall" style={styles.waits}>
              Waits until you put it somewhere
            </Text>
          </View>
        )}
      </View>
    </View>
  );
});

const ARROW = 28;
/** Pictures have an outline. */
const EDGE = 2;
const styles = StyleSheet.create({
  row: { height: ROW_HEIGHT, borderBottomWidth: 1, gap: 2 },
  head: { flexDirection: 'row', alignItems: 'center', gap: 8, minHeight: 44 },
  what: { flex: 1, minWidth: 0 },
  bare: { width: 44 },
  pictures: { flexDirection: 'row', alignItems: 'center' },
  arrow: { width: ARROW, alignItems: 'center' },
  none: {
    ...{ height: PICTURE_HEIGHT, borderWidth: 1, borderStyle: 'dashed', borderRadius: 4 },
    ...{ alignItems: 'center', justifyContent: 'center', padding: 8 },
  },
  waits: { textAlign: 'center' },
});
