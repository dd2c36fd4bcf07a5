import { findMark } from '@marginalis/core/document';
import { backToInk, changeFigure, removeMarks } from '@marginalis/core/editing';
import { type Figure, figureLines, handlesOf } from '@marginalis/core/figures';
import type { FigureMark } from '@marginalis/core/marks';
import { useEffect, useState } from 'react';
import { useSession, useSessionState } from '@/session';
import { Chip, ChipButton } from './Chip';
import { FigureSheet } from './FigureSheet';
import { Ghost } from './Ghost';
import { Handles } from './Handles';
import { FIGURE_NAMES } from './names';

/** The figure in hand: its handles, and a bar of what can be done with it. */
export function FigureInHand({ index }: { index: number }) {
  const mark = useSessionState((s) => {
    const held = s.inHand === null ? null : findMark(s.document, s.inHand);
    return held?.kind === 'figure' && held.page === s.document.pages[index]?.id ? held : null;
  });
  const writable = useSessionState((s) => s.writable);
  return mark && writable ? <Held key={mark.id} mark={mark} index={index} /> : null;
}

function Held({ mark, index }: { mark: FigureMark; index: number }) {
  const session = useSession();
  const page = useSessionState((s) => s.document.pages[index]);
  const [draft, setDraft] = useState<Figure | null>(null);
  const [sheetOpen, setSheetOpen] = useState(false);
  const { id } = mark;
  const shown = draft ?? mark.figure;
  // A figure laid down in the middle of a drag is no longer shown as taken.
  useEffect(() => () => session.setDoomed(new Set()), [session]);
  const document = () => session.store.getState().document;

  const show = (figure: Figure | null) => {
    setDraft(figure);
    session.setDoomed(new Set(figure ? [id] : []));
  };
  const keep = (figure: Figure) => {
    show(null);
    session.dispatch(changeFigure(document(), id, { figure }));
  };

  return (
    <>
      {draft && <Ghost page={page} figure={draft} meets={[]} />}
      <Handles
        index={index}
        page={page}
        figure={shown}
        onDrag={show}
        onDrop={keep}
        onRemove={() => session.dispatch(removeMarks(document(), [id]))}
        onDone={() => session.takeInHand(null)}
      />
      {!draft && (
        <Chip
          index={index}
          page={page}
          clearOf={[...figureLines(shown).flat(), ...handlesOf(shown).map((h) => h.at)]}
          width={mark.from.length > 0 ? 310 : 200}
          label="Figure"
        >
          <ChipButton
            icon="figure-pen"
            text="Change"
            label={`Change the ${FIGURE_NAMES[mark.figure.kind].toLowerCase()}`}
            onPress={() => setSheetOpen(true)}
          />
          {mark.from.length > 0 && (
            <ChipButton
              icon="pen"
              text="Back to ink"
              onPress={() => session.dispatch(backToInk(document(), id))}
            />
          )}
          <ChipButton
            icon="remove"
            text=""
            label="Remove the figure"
            onPress={() => session.dispatch(removeMarks(document(), [id]))}
          />
          <ChipButton
            icon="close"
            text=""
            label="Done with the figure"
            onPress={() => session.takeInHand(null)}
          />
        </Chip>
      )}
      <FigureSheet mark={mark} open={sheetOpen} onClose={() => setSheetOpen(false)} />
    </>
  );
}
