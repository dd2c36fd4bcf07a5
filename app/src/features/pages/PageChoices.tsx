import { type DocState, marksOn } from '@marginalis/core/document';
import { useState } from 'react';
import { FlatList, Pressable, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { PagePreview } from '@/shell';
import { CheckBoxSign } from './CheckBoxSign';

const COLUMNS = 4;
const NAME = 26;
const APART = 8;
/** Room around a picture, CSS pixels. */
const AROUND = 4;
/** A page is no taller than it is wide by this. */
const TALL = 1.42;

/** The pages of a document that is not open here, to choose from. */
export function PageChoices(props: {
  document: DocState;
  /** From 0. */
  chosen: ReadonlySet<number>;
  onToggle: (index: number) => void;
}) {
  const { document, chosen, onToggle } = props;
  const { colors } = useTheme();
  const { pages } = document;
  const [room, setRoom] = useState(0);
  const width = Math.floor((room - (COLUMNS - 1) * APART) / COLUMNS);
  const height = Math.round(TALL * width);
  const rowHeight = height + NAME + APART;
  return (
    <View style={styles.all} onLayout={(e) => setRoom(e.nativeEvent.layout.width)}>
      {room > 0 && (
        <FlatList
          data={pages}
          numColumns={COLUMNS}
          columnWrapperStyle={styles.line}
          keyExtractor={({ id }) => id}
          getItemLayout={(_, row) => ({ length: rowHeight, offset: rowHeight * row, index: row })}
          initialNumToRender={3}
          windowSize={5}
          extraData={chosen}
          accessibilityLabel="Pages to choose from"
          style={styles.all}
          renderItem={({ item, index }) => (
            <Pressable
              role="checkbox"
              aria-checked={chosen.has(index)}
              accessibilityLabel={`Page ${index + 1}`}
              onPress={() => onToggle(index)}
              style={[
                styles.cell,
                { width, height: height + NAME },
                chosen.has(index) && { backgroundColor: colors.secondaryContainer },
              ]}
            >
              <View style={[styles.picture, { height }]}>
                <PagePreview
                  page={item}
                  marks={marksOn(document, item.id)}
                  width={width - 2 * AROUND}
                  tallest={height - 2 * AROUND}
                />
              </View>
              <Text variant="bodySmall">{index + 1}</Text>
              <CheckBoxSign on={chosen.has(index)} />
            </Pressable>
          )}
        />
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  all: { flex: 1, minHeight: 0 },
  line: { gap: APART },
  cell: { marginBottom: APART, alignItems: 'center', borderRadius: 4 },
  picture: { justifyContent: 'center' },
});
