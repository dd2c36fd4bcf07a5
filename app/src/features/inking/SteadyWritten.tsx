import { marksOn } from '@marginalis/core/document';
import { steadyInk } from '@marginalis/core/editing';
import type { Mark } from '@marginalis/core/kinds';
import { StyleSheet, View } from 'react-native';
import { useSession, useSessionState } from '@/session';
import { useSight } from '@/stage';
import { Action } from '@/ui';

/** Gives ink that is already written another steadiness: the last stroke, or all of the page in sight. */
export function SteadyWritten({ steadiness }: { steadiness: number }) {
  const session = useSession();
  const document = useSessionState((s) => s.document);
  const writable = useSessionState((s) => s.writable);
  const { current } = useSight();
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
  const last = to(latest ? [latest] : []);
  const page = to(onPage);
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
