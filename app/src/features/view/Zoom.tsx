import { ACTUAL_SIZE } from '@marginalis/core/geometry';
import { StyleSheet } from 'react-native';
import { Text } from 'react-native-paper';
import { useSight, useStage } from '@/stage';
import { IconAction } from '@/ui';
import { PageField } from './PageField';

export const STEP = 1.25;

/** The place in the document and, where there is room, how large it is seen. */
export function Place({ wide }: { wide: boolean }) {
  const { controller } = useStage();
  const { zoom } = useSight();
  const percent = `${Math.round((zoom / ACTUAL_SIZE) * 100)} %`;
  const tool = (icon: 'minus' | 'plus', label: string, keys: string, to: number) => (
    <IconAction icon={icon} label={label} keys={keys} onPress={() => controller.zoomTo(to)} />
  );
  return (
    <>
      <PageField />
      {wide && (
        <>
          {tool('minus', 'Zoom out', 'Ctrl −', zoom / STEP)}
          <Text style={styles.zoom} aria-label={`Zoom ${percent}`}>
            {percent}
          </Text>
          {tool('plus', 'Zoom in', 'Ctrl +', zoom * STEP)}
        </>
      )}
    </>
  );
}

const styles = StyleSheet.create({
  zoom: { minWidth: 52, textAlign: 'center', fontVariant: ['tabular-nums'] },
});
