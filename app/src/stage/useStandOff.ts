import type { Box } from '@marginalis/core/geometry';
import { useWindowDimensions } from 'react-native';
import { WIDE_FROM } from '@/ui';
import { useSight } from './StageContext';

/** What is smaller both ways would be covered by its own grips, CSS pixels. */
const SMALL = 76;

/** Whether grips must stand off from a mark: where fingers pick and it is small, `around` in points. */
export function useStandOff({ minX, minY, maxX, maxY }: Box): boolean {
  const { zoom } = useSight();
  const narrow = useWindowDimensions().width < WIDE_FROM;
  return narrow && Math.max(maxX - minX, maxY - minY) * zoom < SMALL;
}
