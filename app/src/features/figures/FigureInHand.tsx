import { findMark } from '@marginalis/core/document';
import { changeFigure, removeMarks } from '@marginalis/core/editing';
import type { Figure } from '@marginalis/core/figures';
import { asFigure, type FigureMark } from '@marginalis/core/kinds';
import { useEffect, useState } from 'react';
import { boundsOf } from '@marginalis/core/derived';
import { useSession, useSessionState } from '@/session';
import { useStandOff, usePageSeen } from '@/stage';
import { Ghost } from './Ghost';
import { Handles } from './Handles';

/** The handles of the figure in hand, when it is the only mark there. */
export function FigureInHand({ index }: { index: number }) {
  const mark = useSessionState((s) => {
    const [id] = s.picked.size === 1 ? s.picked : [];
    const held = id === undefined ? null : asFigure(findMark(s.document, id));
    return held && held.page === s.document.pages[index]?.id ? held : null;
  });
  const writable = useSessionState((s) => s.writable);
  return mark && writable ? <Held key={mark.id} mark={mark} index={index} /> : null;
}

/** A small figure on a phone is handled by the box around it, whose grips stand off. */
function Held({ mark, index }: { mark: FigureMark; index: number }) {
  const standsOff = useStandOff(boundsOf(mark));
  return standsOff ? null : <ByHandles mark={mark} index={index} />;
}

function ByHandles({ mark, index }: { mark: FigureMark; index: number }) {
  const session = useSession();
  const page = usePageSeen(index);
  const [draft, setDraft] = useState<Figure | null>(null);
  const { id } = mark;
  // A figure laid down in the middle of a drag is no longer shown as taken.
  useEffect(() => () => session.inHand.doom(new Set()), [session]);
  const document = () => session.store.getState().document;

  const show = (figure: Figure | null) => {
    setDraft(figure);
    session.inHand.doom(new Set(figure ? [id] : []));
  };
  const keep = (figure: Figure) => {
    show(null);
    session.dispatch(changeFigure(document(), id, { figure }));
  };

  return (
    <>
      {draft && <Ghost page={page} figure={draft} />}
      <Handles
        index={index}
        page={page}
        figure={draft ?? mark.figure}
        onDrag={show}
        onDrop={keep}
        onRemove={() => session.dispatch(removeMarks(document(), [id]))}
        onDone={() => session.inHand.pick([])}
      />
    </>
  );
}
