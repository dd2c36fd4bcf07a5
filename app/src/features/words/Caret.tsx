import type { Page } from '@marginalis/core/document';
import { displayMatrix, displaySize, transform } from '@marginalis/core/geometry';
import { quadsOf, textOf, wordAround } from '@marginalis/core/print';
import { type KeyboardEvent, useEffect, useRef } from 'react';
import { useTheme } from 'react-native-paper';
import type { TypedSelection } from '@/session';
import { useReader } from '@/shell';
import { Area } from '@/ui';
import { asChosen, partsBetween } from './partsBetween';
import { stepped, wayOf } from './stepped';

/** The pages beside the caret's are read ahead, so that it can go on over the end of its own. */
const AHEAD = [-1, 0, 1];

/** The caret of a selection made by the keyboard: arrows go from word to word, with Shift they select; Enter goes to what can be done. */
export function Caret({
  page,
  index,
  typed,
}: {
  page: Page;
  index: number;
  typed: TypedSelection;
}) {
  const { session, stage } = useReader();
  const { colors } = useTheme();
  const element = useRef<HTMLDivElement>(null);
  const { anchor, caret } = typed;
  const print = session.print.known(page);
  const pages = session.store.getState().document.pages;
  useEffect(() => {
    element.current?.focus({ preventScroll: true });
  }, []);
  useEffect(() => {
    for (const by of AHEAD) {
      const near = session.store.getState().document.pages[index + by];
      // What cannot be read is gone past.
      if (near) session.print.of(near).catch(() => undefined);
    }
  }, [session, index]);
  const word = print && wordAround(print, caret.place);
  const [quad] = print && word ? quadsOf(print, word) : [];
  useEffect(() => {
    if (quad) stage.keepInSight(index, quad);
  });
  if (!print || !word || !quad) return null;

  const onKey = (e: KeyboardEvent): void => {
    if (e.key === 'Enter') {
      const chip = document.querySelector<HTMLElement>('[data-chip] [role=button]');
      chip?.focus();
    } else {
      const way = wayOf(e.key);
      const known = (one: Page) => session.print.known(one);
      const to = way && stepped(pages, known, caret, way, 'start');
      if (!to) return;
      const from = e.shiftKey ? anchor : to;
      session.words.type(asChosen(partsBetween(pages, known, from, beyond(to, from))), {
        anchor: from,
        caret: to,
      });
    }
    e.preventDefault();
    e.stopPropagation();
  };
  /** The caret stands before its word: going on from what was begun before it, the word belongs to the selection. */
  const beyond = (to: typeof caret, from: typeof caret): typeof caret => {
    const isAfter = to.page > from.page || (to.page === from.page && to.place > from.place);
    const onPage = session.print.known(pages[to.page]);
    const end = onPage && isAfter ? wordAround(onPage, to.place)?.to : undefined;
    return end === undefined ? to : { ...to, place: end };
  };

  const at = quad.map((p) => transform(displayMatrix(page), p));
  const { width, height } = displaySize(page);
  const [left, right] = [Math.min(...at.map((p) => p.x)), Math.max(...at.map((p) => p.x))];
  const [top, bottom] = [Math.min(...at.map((p) => p.y)), Math.max(...at.map((p) => p.y))];
  return (
    <Area
      ref={element}
      data-control
      data-testid="word-caret"
      role="application"
      tabIndex={0}
      aria-label={`Word: ${textOf(print, word)}`}
      aria-description="Arrow keys go from word to word, with Shift they select. Enter goes to what can be done."
      onKeyDown={onKey}
      style={{
        position: 'absolute',
        left: `${(100 * left) / width}%`,
        top: `${(100 * top) / height}%`,
        width: `${(100 * (right - left)) / width}%`,
        height: `${(100 * (bottom - top)) / height}%`,
        boxSizing: 'border-box',
        borderBottom: `2px solid ${colors.primary}`,
        pointerEvents: 'none',
      }}
    />
  );
}
