import { useTheme } from 'react-native-paper';
import { useSight } from '@/stage';
import { Area } from '@/ui';

/** What the writing window shows, as a frame on the page. */
export function Frame({ index }: { index: number }) {
  const { framed, zoom } = useSight();
  const { colors } = useTheme();
  if (framed?.index !== index) return null;
  const { minX, minY, maxX, maxY } = framed.area;
  return (
    <Area
      aria-hidden
      data-framed
      style={{
        position: 'absolute',
        left: minX * zoom,
        top: minY * zoom,
        width: (maxX - minX) * zoom,
        height: (maxY - minY) * zoom,
        boxSizing: 'border-box',
        border: `1.5px solid ${colors.primary}`,
        borderRadius: 2,
        pointerEvents: 'none',
      }}
    />
  );
}
