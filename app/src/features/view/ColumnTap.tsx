import { useEffect } from 'react';
import { useReader } from '@/shell';
import { fillWithColumn } from './fillWithColumn';

/** Two taps of a finger that moves the paper have the column beneath it fill the width, and two more all of the page again. */
export function ColumnTap() {
  const reader = useReader();
  useEffect(
    () =>
      reader.stage.touches.tap(({ index, user }, taps) => {
        if (taps !== 2) return false;
        void fillWithColumn(reader, index, user);
        return true;
      }),
    [reader],
  );
  return null;
}
