import { ACTUAL_SIZE } from '@marginalis/core/geometry';
import { StyleSheet } from 'react-native';
import { IconButton, Text } from 'react-native-paper';
import { useSight, useStage } from '@/stage';
import { paperIcon } from '@/ui';
import { PageField } from './PageField';

export const STEP = 1.25;

/** The place in the document and, where there is room, how large it is seen. */
export function Place({ wide }: { wide: boolean }) {
  const { controller } = useStage();
  const { zoom } = useSight();
  const percent = `${Math.round((zoom / ACTUAL_SIZE) * 100)} %`;
  const tool = (icon: 'minus' | 'plus', label: string, to: number) => (
    <IconButton
      icon={paperIcon(icon)}
      size={22}
      accessibilityLabel={label}
      onPress={() => controller.zoomTo(to)}
      style={styles.tool}
    />
  );
  return (
    <>
      <PageField />
      {wide && (
        <>
          {tool('minus', 'Zoom out', zoom / STEP)}
          <Text style={styles.zoom} aria-label={`Zoom ${percent}`}>
            {percent}
          </Text>
          {tool('plus', 'Zoom in', zoom * STEP)}
        </>
      )}
    </>
  );
}

const styles = StyleSheet.create({
  tool: { width: 44, height: 44, margin: 0 },
  zoom: { minWidth: 52, textAlign: 'center', fontVariant: ['tabular-nums'] },
});
