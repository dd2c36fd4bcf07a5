import useSWR from 'swr';
import { answersOnDesk } from '@/session';
import type { DeskDocument } from '@/storage';
import { Action, Notice } from '@/ui';

/** What guests have answered to notes of documents on the desk; opening one takes its answers into the margin. */
export function AnswersCame(props: {
  documents: readonly DeskDocument[];
  onOpen: (id: string) => void;
}) {
  const { documents, onOpen } = props;
  const ids = documents.map(({ id }) => id);
  const { data } = useSWR(['answers', ...ids], () => answersOnDesk(ids), {
    shouldRetryOnError: false,
  });
  return documents.map(({ id, title }) => {
    const count = data?.get(id) ?? 0;
    if (count === 0) return null;
    const answers = count === 1 ? 'an answer from a guest' : `${count} answers from guests`;
    return (
      <Notice key={id} text={`“${title}” has ${answers}.`}>
        <Action mode="contained" onPress={() => onOpen(id)}>
          Open it
        </Action>
      </Notice>
    );
  });
}
