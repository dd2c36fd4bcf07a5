import type { Page } from '@marginalis/core/document';
import { displayMatrix, displaySize, transform } from '@marginalis/core/geometry';
import { cornersOfBox, leaderPoints, leaderWidth } from '@marginalis/core/kinds';
import { type LetterStyle, styleAt, textOfSpans } from '@marginalis/core/type';
import {
  type CSSProperties,
  type KeyboardEvent,
  useEffect,
  useLayoutEffect,
  useRef,
  useState,
} from 'react';
import { useTheme } from 'react-native-paper';
import { useSettings } from '@/session';
import { useReader } from '@/shell';
import { Chip, ChipButton, useSight } from '@/stage';
import { Area } from '@/ui';
import { useStore } from 'zustand';
import { useShallow } from 'zustand/react/shallow';
import { letterCss, onPage, saidIn, select, selectionIn, showSpans } from './field';
import { announceFaces } from './pageFaces';
import { stepText } from './stepText';
import { SymbolSheet } from './SymbolSheet';
import type { TypedText, Typing } from './Typing';

/** Letters that would be smaller than this while they are typed are brought nearer, to this, CSS pixels. */
const LEGIBLE = 12;
const COMFORTABLE = 16;
/** About how wide the chip is, CSS pixels. */
const CHIP = 270;
const SIDES = { start: 'start', centre: 'center', end: 'end' } as const;
/** Letters that are bold, slanted or underlined, and the key that makes them so. */
const MANNERS = { b: 'bold', i: 'italic', u: 'underline' } as const;
type Manner = (typeof MANNERS)[keyof typeof MANNERS];

/** The field that a text is typed into, in the place and in the look of the box that comes of it. */
export function TextField({ typing, page, index }: { typing: Typing; page: Page; index: number }) {
  // What is typed is the field's own business: only how the box stands and looks is drawn anew.
  const { version } = useStore(typing.store, useShallow(boxIn));
  const { mark } = typing;
  const { zoom } = useSight();
  const { colors } = useTheme();
  const reader = useReader();
  const hand = useSettings((s) => s.hand);
  const field = useRef<HTMLDivElement>(null);
  const [symbols, setSymbols] = useState(false);
  /** What was selected last, also while the chip has the focus. */
  const selected = useRef<readonly [number, number] | null>(null);
  /** The browser is putting a letter together: what the field shows is its business. */
  const composes = useRef(false);

  useEffect(announceFaces, []);
  useEffect(() => {
    const { stage } = reader;
    const { mark: box } = typing;
    const [{ style }] = box.block.spans;
    const corners = cornersOfBox(box);
    // On a phone a page is often seen so small that nobody could read what they type.
    if (style.size * stage.getCamera().zoom < LEGIBLE)
      stage.zoomTo(COMFORTABLE / style.size, transform(stage.userToView(index), corners[0]));
    stage.keepInSight(index, corners);
  }, [reader, typing, index]);
  useLayoutEffect(() => {
    const element = field.current;
    if (!element || composes.current) return;
    const { spans } = typing.mark.block;
    showSpans(element, spans);
    const length = textOfSpans(spans).length;
    const { caret } = typing.store.getState();
    const [from, to] = caret === null ? (selected.current ?? [length, length]) : [caret, caret];
    element.focus({ preventScroll: true });
    select(element, Math.min(from, length), Math.min(to, length));
  }, [typing, version]);
  useEffect(() => {
    const note = (): void => {
      const now = field.current && selectionIn(field.current);
      if (now) selected.current = now;
    };
    document.addEventListener('selectionchange', note);
    return () => document.removeEventListener('selectionchange', note);
  }, []);
  useEffect(() => {
    const element = field.current;
    if (!element) return undefined;
    // React has no such event that tells what is about to be put in.
    const before = (event: InputEvent): void => {
      const { inputType, dataTransfer } = event;
      if (inputType === 'insertParagraph' || inputType === 'insertLineBreak') put('\n');
      else if (inputType === 'insertFromPaste' || inputType === 'insertFromDrop')
        put(dataTransfer?.getData('text/plain') ?? '');
      else if (!/^(format|history)/.test(inputType)) return;
      event.preventDefault();
    };
    const put = (text: string): void =>
      typing.put(...(selectionIn(element) ?? selected.current ?? ([0, 0] as const)), text);
    element.addEventListener('beforeinput', before);
    return () => element.removeEventListener('beforeinput', before);
  }, [typing]);

  const read = (): void => {
    const element = field.current;
    if (!element) return;
    if (composes.current) typing.compose(saidIn(element));
    else typing.say(saidIn(element), selectionIn(element)?.[1]);
  };
  const turn = (manner: Manner): void => {
    const { spans } = typing.mark.block;
    const length = textOfSpans(spans).length;
    const [from, to] = selected.current ?? [length, length];
    const on = styleAt(spans, to > from ? from + 1 : from)[manner];
    const change: Partial<LetterStyle> = { [manner]: !on };
    // Nothing selected: all of it, as nobody has typed the next letter yet.
    typing.restyle(...(to > from ? ([from, to] as const) : ([0, length] as const)), change);
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
    else if (mod && key in MANNERS) turn(MANNERS[key as keyof typeof MANNERS]);
    else return;
    e.preventDefault();
  };

  // The question that is answered is to be read meanwhile.
  const print = typing.session.print.known(page)?.lines.map((line) => line.box) ?? [];
  const closeSymbols = (): void => {
    setSymbols(false);
    // The sheet gives the focus back to where it was: the caret is to stand there.
    requestAnimationFrame(() => {
      const element = field.current;
      if (!element) return;
      element.focus({ preventScroll: true });
      if (selected.current) select(element, ...selected.current);
    });
  };
  const putSign = (sign: string): void => {
    const { spans } = typing.mark.block;
    const length = textOfSpans(spans).length;
    const [from, to] = selected.current ?? [length, length];
    useSettings.getState().noteSign(sign);
    selected.current = [from + sign.length, from + sign.length];
    typing.put(from, to, sign);
    closeSymbols();
  };
  const display = displayMatrix(page);
  const [corner, along] = cornersOfBox(mark).map((p) => transform(display, p));
  const angle = Math.atan2(along.y - corner.y, along.x - corner.x);
  const size = displaySize(page);
  const { block, padding, background, border } = mark;
  const width = onPage(block.width + 2 * padding);
  const around = { '--point': `${zoom}px` } as CSSProperties;
  const button = (manner: Manner, text: string, label: string) => (
    <ChipButton text={text} label={label} onPress={() => turn(manner)} />
  );
  const line = leaderPoints(mark)?.map((p) => transform(display, p));
  return (
    <>
      {line && (
        <svg
          aria-hidden
          viewBox={`0 0 ${size.width} ${size.height}`}
          style={{
            position: 'absolute',
            inset: 0,
            width: '100%',
            height: '100%',
            pointerEvents: 'none',
          }}
        >
          <polyline
            points={line.map(({ x, y }) => `${x},${y}`).join(' ')}
            fill="none"
            stroke={mark.style.colour}
            strokeWidth={leaderWidth(mark)}
          />
        </svg>
      )}
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
          textIndent: onPage(block.indent ?? 0),
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
      <Chip
        index={index}
        page={page}
        ink={print}
        hand={hand}
        clearOf={cornersOfBox(mark)}
        width={CHIP}
        label="Text"
      >
        {button('bold', 'B', 'Bold')}
        {button('italic', 'I', 'Italic')}
        {button('underline', 'U', 'Underlined')}
        <ChipButton text="Ω" label="Symbols" onPress={() => setSymbols(true)} />
        <ChipButton text="Done" onPress={() => typing.finish()} />
      </Chip>
      {symbols && <SymbolSheet onSign={putSign} onClose={closeSymbols} />}
    </>
  );
}

/** What of a text that is typed the field is drawn by. */
function boxIn({ mark, version }: TypedText) {
  const { at, angle, height, padding, background, border, block } = mark;
  const [{ style }] = block.spans;
  const { width, indent, align, leading } = block;
  return {
    ...{ version, at, angle, height, padding, background, border },
    ...{ style, width, indent, align, leading },
  };
}
