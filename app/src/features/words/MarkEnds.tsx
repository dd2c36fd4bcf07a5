import { findMark, markChange } from '@marginalis/core/document';
import { rangeOfWords, stretchedWords, stretchWords } from '@marginalis/core/editing';
import { asWords, type WordsMark } from '@marginalis/core/kinds';
import type { TextRange } from '@marginalis/core/print';
import { useState } from 'react';
import { usePagePrint, useSession, useSessionState } from '@/session';
import { usePageSeen } from '@/stage';
import { Ends } from './Ends';

/** Grips at the ends of a mark on words that is picked by itself: by them it takes more words, or fewer. */
export function MarkEnds({ index }: { index: number }) {
  const session = useSession();
  const page = usePageSeen(index);
  const mark = useSessionState(({ document, picked, writable }): WordsMark | null => {
    const [id] = picked;
    const words = picked.size === 1 && writable ? asWords(findMark(document, id)) : null;
    return words && words.page === document.pages[index]?.id ? words : null;
  });
  const print = usePagePrint(page, mark !== null);
  const [dragged, setDragged] = useState<TextRange | null>(null);
  const range = mark && print && (dragged ?? rangeOfWords(print, mark));
  if (!page || !mark || !print || !range) return null;
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
