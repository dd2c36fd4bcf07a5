import { type ReactNode, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { ActivityIndicator, Text, useTheme } from 'react-native-paper';
import { IconAction, RasterView } from '@/ui';
import type { CopyOfPart } from './copyOfPart';
import { usePreview } from './usePreview';

/** Of the sheet's width, what a page has before it is shown large. */
const SMALL = '34%';

/** A page of the copy as it will leave, and a way to the others; a press shows it large. What is told of the copy stands beside it. */
export function PagePreview(props: {
  of: Pick<CopyOfPart, 'part' | 'notes'>;
  /** The page shown first, from 0. */
  first: number;
  children: ReactNode;
}) {
  const { of, first, children } = props;
  const { colors } = useTheme();
  const [wanted, setWanted] = useState(first);
  const [large, setLarge] = useState(false);
  const { names } = of.part;
  const index = Math.min(wanted, names.length - 1);
  const { picture, trouble } = usePreview(of, index);
  return (
    <View style={large ? styles.column : styles.row}>
      <Pressable
        role="button"
        accessibilityLabel={`Page ${names[index]} as it leaves; show it ${large ? 'small' : 'large'}`}
        onPress={() => setLarge(!large)}
        style={[styles.page, { width: large ? '100%' : SMALL, borderColor: colors.outlineVariant }]}
      >
        {picture ? (
          <RasterView label={`Page ${names[index]} as it leaves`} raster={picture} />
        ) : (
          <View style={styles.waiting}>
            {trouble ? (
              <Text style={styles.trouble}>{trouble}</Text>
            ) : (
              <ActivityIndicator accessibilityLabel="Drawing the page" />
            )}
          </View>
        )}
      </Pressable>
      <View style={styles.told}>
        {children}
        {names.length > 1 && (
          <View style={styles.steps}>
            <IconAction
              icon="left"
              label="The page before"
              disabled={index === 0}
              onPress={() => setWanted(index - 1)}
            />
            <Text>Page {names[index]}</Text>
            <IconAction
              icon="right"
              label="The next page"
              disabled={index === names.length - 1}
              onPress={() => setWanted(index + 1)}
            />
          </View>
        )}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: 14, alignItems: 'flex-start' },
  column: { gap: 10 },
  page: { borderWidth: 1, backgroundColor: '#ffffff' },
  waiting: { aspectRatio: 0.72, alignItems: 'center', justifyContent: 'center', padding: 8 },
  trouble: { color: '#1a2947' },
  told: { flex: 1, gap: 4 },
  steps: { flexDirection: 'row', alignItems: 'center', marginLeft: -8 },
});
