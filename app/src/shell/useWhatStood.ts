import { useEffect, useState } from 'react';
import type { StagePlace, StageView } from '@/stage';
import { WIDE_FROM } from '@/ui';
import type { ReaderFeature } from './feature';
import type { Beside } from './panes';
import type { Shell, ShellState } from './shellStore';

/** What one saw of a document last, and what stood around it. */
export interface Stood extends StagePlace {
  readonly view?: StageView;
  /** A place that was held. */
  readonly held?: StagePlace | null;
  readonly panels?: ShellState['panels'];
  readonly beside?: (Beside & { readonly share: number }) | null;
}

/** Has stand around a document what stood there last, where there is room: what is beside it, and panels by which one finds one's way. */
export function useWhatStood(
  stood: Stood | null | undefined,
  shell: Shell,
  features: readonly ReaderFeature[],
): void {
  const [first] = useState(stood);
  useEffect(() => {
    if (!first || window.innerWidth < WIDE_FROM) return;
    if (first.beside) {
      shell.panes.divide(first.beside.share);
      shell.panes.open(first.beside, true);
    }
    for (const { id, side, way } of features.flatMap(({ panels = [] }) => panels))
      if (way && first.panels?.[side] === id) shell.openPanel(side, id);
  }, [first, shell, features]);
}
