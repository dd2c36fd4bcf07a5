import { returnedInWords } from '@/session';
import { Action, Notice } from '@/ui';
import type { useDesk } from './useDesk';

/** Living copies that have come back, marked further elsewhere: what was done is said before any of it is taken in. */
export function CopiesBack(props: {
  desk: Pick<ReturnType<typeof useDesk>, 'back' | 'forgetBack' | 'takeIn' | 'layDown'>;
  onOpen: (id: string) => void;
}) {
  const { desk, onOpen } = props;
  return desk.back.map((one, k) => {
    const { document, copy } = one;
    const { elsewhere, layDown } = copy;
    const isNews = elsewhere.changes.length > 0;
    return (
      <Notice
        key={`${document.id} ${k}`}
        text={returnedInWords(document.title, elsewhere)}
        onClose={() => desk.forgetBack(one)}
      >
        {isNews && (
          <Action mode="contained" onPress={() => desk.takeIn(one)}>
            Take it in
          </Action>
        )}
        {layDown ? (
          <Action onPress={() => void desk.layDown(one)}>Lay it down by itself</Action>
        ) : (
          <Action onPress={() => onOpen(document.id)}>Open it as it was sent</Action>
        )}
      </Notice>
    );
  });
}
