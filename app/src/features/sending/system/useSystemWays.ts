import { useMemo } from 'react';
import useSWR from 'swr';
import { readStandIns } from '@/remote';
import type { Handing } from './handing';
import { canPrint, printDialog } from './printing';
import { canShare, shareSheet } from './sharing';
import { standIn } from './standIn';

/** What takes files out of the application beside downloading; null where nothing does. */
export interface SystemWays {
  readonly share: Handing | null;
  readonly print: Handing | null;
}

/** What this device has, and with the sample data what stands in for what it lacks. */
export function useSystemWays(): SystemWays {
  const [share, print] = [canShare(), canPrint()];
  const { data } = useSWR(share && print ? null : 'stand-ins', readStandIns, {
    shouldRetryOnError: false,
  });
  const printer = data?.printer ?? null;
  const sheet = data?.shareSheet ?? null;
  return useMemo(
    () => ({
      share: share ? shareSheet : sheet === null ? null : standIn(sheet),
      print: print ? printDialog : printer === null ? null : standIn(printer),
    }),
    [share, print, sheet, printer],
  );
}
