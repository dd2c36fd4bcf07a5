import { useOpenSessions } from '@/session';
import { Action, Notice } from '@/ui';

/** Documents that were left with changes storage refuses: they are held in this tab until it takes them. */
export function Unkept({ onOpen }: { onOpen: (id: string) => void }) {
  const waiting = useOpenSessions((s) => s.waiting);
  return waiting.map(({ desk, retry }) => (
    <Notice
      key={desk.id}
      text={`“${desk.title}” has changes that the browser’s storage refuses. They are held in this tab and tried again and again; do not close it.`}
    >
      <Action onPress={retry}>Try again</Action>
      <Action onPress={() => onOpen(desk.id)}>Open it</Action>
    </Notice>
  ));
}
