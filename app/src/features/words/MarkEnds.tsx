import { findMark, markChange } from '@marginalis/core/document';
import { rangeOfWords, stretchedWords, stretchWords } from '@marginalis/core/editing';
import { asWords, isArea, type WordsMark } from '@marginalis/core/kinds';
import type { TextRange } from '@marginalis/core/print';
import { useState } from 'react';
import { usePagePrint, useSession, useSessionState } from '@/session';
import { usePageSeen } from '@/stage';
import { AreaEnds } from './AreaEnds';
import { Ends } from './Ends';

/** Grips at the ends of a mark on words, or on an area, that is picked by itself. */
export function MarkEnds({ index }: { index: number }) {
  const mark = useSessionState(({ document, picked, writable }): WordsMark | null => {
    const [id] = picked;
    const words = picked.size === 1 && writable ? asWords(findMark(document, id)) : null;
    return words && words.page === document.pages[index]?.id ? words : null;
  });
  if (!mark) return null;
  if (!isArea(mark)) return <WordEnds index={index} mark={mark} />;
  return mark.strips.length === 1 && <AreaEnds index={index} mark={mark} />;
}

/** By them a mark takes more words, or fewer. */
function WordEnds({ index, mark }: { index: number; mark: WordsMark }) {
  const session = useSession();
  const page = usePageSeen(index);
  const print = usePagePrint(page, true);
  const [dragged, setDragged] = useState<TextRange | null>(null);
  const range = print && (dragged ?? rangeOfWords(print, mark));
  if (!page || !print || !range) return null;
  const show = (ends: TextRange | null): void => {
    session.inHand.preview(null);
    const next = ends && stretchedWords(mark, print, ends);
    if (next) session.inHand.preview([markChange(mark, next)]);
    setDragged(ends);
  };
  return (
    <Ends
      index={index}
      parts={[{ page, index, print, range }]}
      of="what is marked"
      within
      onChange={([part], done) => {
        if (!done) return show(part.range);
        show(null);
        session.dispatch(stretchWords(mark, print, part.range));
      }}
    />
  );
}
