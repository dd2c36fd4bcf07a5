import { findMark, markChange } from '@marginalis/core/document';
import { rangeOfWords, stretchedWords, stretchWords } from '@marginalis/core/editing';
import { asWords, type WordsMark } from '@marginalis/core/kinds';
import type { Print, TextRange } from '@marginalis/core/print';
import { useEffect, useState } from 'react';
import { useSession, useSessionState } from '@/session';
import { Ends } from './Ends';

/** Grips at the ends of a mark on words that is picked by itself: by them it takes more words, or fewer. */
export function MarkEnds({ index }: { index: number }) {
  const session = useSession();
  const page = useSessionState((s) => s.document.pages[index]);
  const mark = useSessionState(({ document, picked, writable }): WordsMark | null => {
    const [id] = picked;
    const words = picked.size === 1 && writable ? asWords(findMark(document, id)) : null;
    return words && words.page === document.pages[index]?.id ? words : null;
  });
  const [print, setPrint] = useState<Print | null>(null);
  const [dragged, setDragged] = useState<TextRange | null>(null);
  const wanted = mark !== null;
  useEffect(() => {
    if (!wanted || !page) return undefined;
    let isGone = false;
    session.print.of(page).then(
      (read) => isGone || setPrint(read),
      // Where the print cannot be read the mark stays as it is.
      () => undefined,
    );
    return () => {
      isGone = true;
    };
  }, [session, page, wanted]);
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
