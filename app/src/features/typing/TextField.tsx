import type { Page } from '@marginalis/core/document';
import { isInTex } from '@marginalis/core/equations';
import { displayMatrix, displaySize, transform } from '@marginalis/core/geometry';
import { cornersOfBox } from '@marginalis/core/kinds';
import { shortcutBefore } from '@marginalis/core/symbols';
import { textOfSpans } from '@marginalis/core/type';
import { type CSSProperties, type KeyboardEvent, useEffect, useLayoutEffect, useRef } from 'react';
import { useTheme } from 'react-native-paper';
import { useReader } from '@/shell';
import { announceFaces, useSight } from '@/stage';
import { Area } from '@/ui';
import { useStore } from 'zustand';
import { useShallow } from 'zustand/react/shallow';
import { LeaderLine } from './LeaderLine';
import { letterCss, onPage, saidIn, select, selectionIn, showText } from './field';
import { goToLineEnd } from './lineEnd';
import { stepText } from './stepText';
import { turnLetters } from './turnLetters';
import type { TypedText, Typing } from './Typing';
import { TypingTools } from './TypingTools';
import { useTextInSight } from './useTextInSight';
import { watchField } from './watchField';

/** Points. */
const SPARE = 0.6;
const SIDES = { start: 'start', centre: 'center', end: 'end' } as const;
/** The keys that make letters bold, slanted or underlined. */
const MANNERS = { b: 'bold', i: 'italic', u: 'underline' } as const;

/** The field that a text is typed into, in the place and in the look of the box that comes of it. */
export function TextField({ typing, page, index }: { typing: Typing; page: Page; index: number }) {
  // What is typed is the field's own business: only how the box stands and looks is drawn anew.
  const { version, shrunk } = useStore(typing.store, useShallow(boxIn));
  const { mark } = typing;
  const { zoom } = useSight();
  const { colors } = useTheme();
  const reader = useReader();
  const field = useRef<HTMLDivElement>(null);
  /** What was selected last, also while the chip has the focus. */
  const selected = useRef<readonly [number, number] | null>(null);
  /** The browser is putting a letter together: what the field shows is its business. */
  const composes = useRef(false);

  useEffect(announceFaces, []);
  useTextInSight(field, typing, index);
  useLayoutEffect(() => {
    const element = field.current;
    if (!element || composes.current) return;
    const { block: typed } = typing.mark;
    showText(element, typed);
    const { spans } = typed;
    const length = textOfSpans(spans).length;
    const { caret } = typing.store.getState();
    const [from, to] = caret === null ? (selected.current ?? [length, length]) : [caret, caret];
    // What is chosen in a sheet over it is chosen on: the field has the focus back when that goes.
    if (document.activeElement?.closest('[role=dialog]')) return;
    element.focus({ preventScroll: true });
    select(element, Math.min(from, length), Math.min(to, length));
  }, [typing, version]);
  useEffect(() => {
    const note = (): void => {
      const now = field.current && selectionIn(field.current);
      if (!now) return;
      selected.current = now;
      typing.goTo(now[0]);
    };
    document.addEventListener('selectionchange', note);
    return () => document.removeEventListener('selectionchange', note);
  }, [typing]);
  useEffect(() => {
    const element = field.current;
    return element ? watchField(element, typing, selected) : undefined;
  }, [typing]);

  const read = (): void => {
    const element = field.current;
    if (!element) return;
    const said = saidIn(element);
    if (composes.current) return typing.compose(said);
    const caret = selectionIn(element)?.[1] ?? said.length;
    typing.say(said, caret);
    // In TeX a command is what it is.
    const found = isInTex(said, caret) ? null : shortcutBefore(said, caret);
    if (found) typing.takeShortcut(found, caret);
  };
  const onKey = (e: KeyboardEvent): void => {
    e.stopPropagation();
    if (e.nativeEvent.isComposing) return;
    const mod = e.ctrlKey || e.metaKey;
    const key = e.key.toLowerCase();
    if (e.key === 'Tab') void stepText(reader, typing, e.shiftKey ? -1 : 1);
    else if (e.key === 'Escape' || (mod && e.key === 'Enter')) typing.finish();
    else if (mod && key === 'z')
      typing.session.store.getState().begun?.[e.shiftKey ? 'redo' : 'takeBack']?.();
    else if (mod && key === 'y') typing.session.store.getState().begun?.redo?.();
    else if (mod && key in MANNERS)
      turnLetters(typing, MANNERS[key as keyof typeof MANNERS], selected.current);
    else if ((e.key === 'Home' || e.key === 'End') && mark.block.cell && !mod)
      goToLineEnd(e.currentTarget as HTMLElement, e.key, { isExtended: e.shiftKey });
    else return;
    e.preventDefault();
  };

  const focusAgain = (place?: number): void => {
    const element = field.current;
    if (!element) return;
    element.focus({ preventScroll: true });
    const again = place === undefined ? selected.current : ([place, place] as const);
    if (again) select(element, ...again);
  };
  const display = displayMatrix(page);
  const [corner, along] = cornersOfBox(mark).map((p) => transform(display, p));
  const angle = Math.atan2(along.y - corner.y, along.x - corner.x);
  const size = displaySize(page);
  const { block, padding, background, border } = mark;
  // Rounded cells are not to take more than their row has.
  const width = onPage(block.width + 2 * padding + (block.cell ? SPARE : 0));
  const around = { '--point': `${zoom}px`, '--shrunk': shrunk } as CSSProperties;
  return (
    <>
      <LeaderLine mark={mark} page={page} />
      <Area
        ref={field}
        data-control
        role="textbox"
        aria-multiline
        aria-label="Text"
        contentEditable
        suppressContentEditableWarning
        spellCheck
        dir="auto"
        onKeyDown={onKey}
        onInput={read}
        onCompositionStart={() => (composes.current = true)}
        onCompositionEnd={() => {
          composes.current = false;
          read();
        }}
        style={{
          ...around,
          // What is typed into an empty field, and its caret, look as its letters will.
          ...letterCss(block.spans[0].style),
          position: 'absolute',
          left: `${(100 * corner.x) / size.width}%`,
          top: `${(100 * corner.y) / size.height}%`,
          transformOrigin: '0 0',
          transform: angle === 0 ? undefined : `rotate(${angle}rad)`,
          width,
          minHeight: onPage(mark.height + 2 * padding),
          padding: onPage(padding),
          boxSizing: 'border-box',
          lineHeight: block.leading,
          textIndent: onPage(block.list ? 0 : (block.indent ?? 0)),
          counterReset: 'list-item',
          textAlign: SIDES[block.align],
          whiteSpace: 'pre-wrap',
          overflowWrap: 'anywhere',
          unicodeBidi: 'plaintext',
          textRendering: 'geometricPrecision',
          cursor: 'text',
          userSelect: 'text',
          caretColor: mark.style.colour,
          background: background?.colour ?? 'transparent',
          outline: `1.5px solid ${colors.primary}`,
          boxShadow: border > 0 ? `inset 0 0 0 ${onPage(border)} ${mark.style.colour}` : undefined,
          zIndex: 3,
        }}
      />
      <TypingTools
        typing={typing}
        page={page}
        index={index}
        selection={() => selected.current}
        onBack={focusAgain}
      />
    </>
  );
}

/** What of a text that is typed the field is drawn by. */
function boxIn({ mark, version, shrunk }: TypedText) {
  const { at, angle, height, padding, background, border, block } = mark;
  const [{ style }] = block.spans;
  const { width, indent, align, leading, cell, list, fit } = block;
  return {
    ...{ version, at, angle, height, padding, background, border },
    ...{ style, width, indent, align, leading, cell, list, fit, shrunk },
  };
}
