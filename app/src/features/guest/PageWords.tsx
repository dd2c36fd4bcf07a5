import { useEffect, useState } from 'react';
import { readPageWords, ServerError } from '@/remote';
import { Area, unseen } from '@/ui';

/** The words of a page that is a picture, for those who do not see it. */
export function PageWords({ token, index }: { token: string; index: number }) {
  const [text, setText] = useState('');
  useEffect(() => {
    let isGone = false;
    readPageWords(token, index).then(
      (read) => isGone || setText(read),
      (e: unknown) => {
        // That pages do not come is said where they are seen.
        if (!(e instanceof ServerError)) console.error(e);
      },
    );
    return () => {
      isGone = true;
    };
  }, [token, index]);
  return (
    <Area style={unseen} data-testid="page-words">
      {text.split('\n\n').map((part, k) => (
        <p key={k}>{part}</p>
      ))}
    </Area>
  );
}
