import { marksOn } from '@marginalis/core/document';
import { steadyInk } from '@marginalis/core/editing';
import type { Mark } from '@marginalis/core/kinds';
import { StyleSheet, View } from 'react-native';
import { useSession, useSessionState } from '@/session';
import { useSight } from '@/stage';
import { Action } from '@/ui';

/** What gives ink that is already written another steadiness; null where it would change nothing. */
export interface Steadying {
  readonly last: (() => void) | null;
  readonly page: (() => void) | null;
}

const NOTHING: Steadying = { last: null, page: null };

/** For the last stroke, and for all of the page in sight; nothing, and no work at each stroke, while it is null. */
export function useSteadying(steadiness: number | null): Steadying {
  const session = useSession();
  const document = useSessionState((s) => (steadiness === null ? null : s.document));
  const writable = useSessionState((s) => s.writable);
  const { current } = useSight();
  if (steadiness === null || !document) return NOTHING;
  const onPage = [...marksOn(document, document.pages[current]?.id ?? '').values()];
  const latest = onPage.reduce<Mark | null>(
    (best, mark) => (!best || mark.madeAt >= best.madeAt ? mark : best),
    null,
  );
  const to = (marks: readonly Mark[]): (() => void) | null => {
    const ids = marks.map((m) => m.id);
    const change = writable ? steadyInk(document, ids, steadiness) : null;
    return change && (() => session.dispatch(change));
  };
  return { last: to(latest ? [latest] : []), page: to(onPage) };
}

export function SteadyWritten({ last, page }: Steadying) {
  const act = (does: (() => void) | null) => () => does?.();
  return (
    <View style={styles.row}>
      <Action disabled={!last} onPress={act(last)}>
        Give the last stroke this steadiness
      </Action>
      <Action disabled={!page} onPress={act(page)}>
        Give this page’s ink this steadiness
      </Action>
    </View>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', gap: 4 } });
