import type { Page } from '@marginalis/core/document';
import { boxOfPoints, displayMatrix, displaySize, transform } from '@marginalis/core/geometry';
import { quadsOf, textOf, wordAround } from '@marginalis/core/print';
import { type KeyboardEvent, useEffect, useRef } from 'react';
import { useTheme } from 'react-native-paper';
import type { TypedSelection } from '@/session';
import { useReader } from '@/shell';
import { Area } from '@/ui';
import { CHIP } from './chosenLook';
import { asChosen } from './partsBetween';
import { wayOf } from './stepped';
import { typedTo } from './typedTo';

/** The pages beside the caret's are read ahead, so that it can go on over the end of its own. */
const AHEAD = [-1, 0, 1];

/** What can be done first with the words that are selected. */
const FIRST_OF_CHIP = `[role=group][aria-label="${CHIP}"] [role=button]`;

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
  const { caret } = typed;
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
    const way = wayOf(e.key);
    if (e.key === 'Enter') document.querySelector<HTMLElement>(FIRST_OF_CHIP)?.focus();
    else if (!way) return;
    else {
      const known = (one: Page) => session.print.known(one);
      const next = typedTo(pages, known, typed, way, e.shiftKey);
      if (next) session.words.type(asChosen(next.parts), next.typed);
    }
    e.preventDefault();
    e.stopPropagation();
  };

  const seen = boxOfPoints(quad.map((p) => transform(displayMatrix(page), p)));
  const { width, height } = displaySize(page);
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
        left: `${(100 * seen.minX) / width}%`,
        top: `${(100 * seen.minY) / height}%`,
        width: `${(100 * (seen.maxX - seen.minX)) / width}%`,
        height: `${(100 * (seen.maxY - seen.minY)) / height}%`,
        boxSizing: 'border-box',
        borderBottom: `2px solid ${colors.primary}`,
        pointerEvents: 'none',
      }}
    />
  );
}
