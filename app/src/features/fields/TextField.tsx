import { letterSize, placeOfWidget } from '@marginalis/core/kinds';
import { type CSSProperties, type KeyboardEvent, useEffect, useMemo, useRef } from 'react';
import { useReader } from '@/shell';
import { announceFaces, familiesOf, useSight } from '@/stage';
import { PlainInput, PlainTextArea } from '@/ui';
import { elementId, textNow } from './placeOnPage';
import { bringNear, type HeldField, inPlace, leadsOn } from './heldField';
import { TypedField } from './TypedField';

const ALIGNED = { start: 'start', centre: 'center', end: 'end' } as const;

/** A field for text, in the place and about the look of what comes of it. */
export function TextField(held: HeldField) {
  const { index, place, mark, isHeld, setHeld, setProblem, told } = held;
  const { field, widget } = place;
  const reader = useReader();
  const { zoom } = useSight();
  const element = useRef<HTMLInputElement & HTMLTextAreaElement>(null);
  const typed = useMemo(() => new TypedField(reader, place), [reader, place]);
  const [text = ''] = mark?.value ?? field.value;

  // What is typed is not lost with the page that goes out of sight.
  useEffect(() => () => typed.take(), [typed]);
  useEffect(announceFaces, []);
  useEffect(() => {
    // Undone, or filled in elsewhere.
    if (!typed.isOpen && element.current && element.current.value !== text)
      element.current.value = text;
  }, [typed, text]);

  const onKey = (e: KeyboardEvent): void => {
    if (e.key === 'Tab' || e.key === 'Escape') typed.take();
    if (leadsOn(e, reader, held) || e.nativeEvent.isComposing) return;
    const key = e.key.toLowerCase();
    const mod = e.ctrlKey || e.metaKey;
    if (mod && (key === 'z' || key === 'y')) {
      typed.take();
      if (key === 'y' || e.shiftKey) reader.session.redo();
      else reader.session.undo();
      // Both may have happened before anything is drawn.
      if (element.current) element.current.value = textNow(reader, place);
    } else if (e.key === 'Enter' && !widget.letters?.lines) typed.take();
    else return;
    e.preventDefault();
  };

  const { letters, frame, colour } = widget;
  if (!letters) return null;
  const { height } = placeOfWidget(widget);
  // A value of which the file brings no picture is shown by the field itself.
  const isSeen = isHeld || (!mark && !widget.isDrawn && text !== '');
  const shared = {
    ref: element,
    id: elementId(place),
    'aria-label': field.label,
    'aria-description': told ?? undefined,
    defaultValue: text,
    placeholder: field.pattern || undefined,
    required: field.required,
    autoComplete: 'off',
    dir: 'auto',
    onKeyDown: onKey,
    onInput: () => setProblem(typed.say(element.current?.value ?? '')),
    onFocus: () => {
      setHeld(true);
      bringNear(reader, index, place);
    },
    onBlur: () => {
      typed.take();
      setHeld(false);
    },
    style: {
      ...inPlace(isSeen),
      padding: letters.lines ? `calc(2 * var(--point))` : `0 calc(2 * var(--point))`,
      background: frame.ground ?? '#ffffff',
      color: colour,
      fontFamily: familiesOf({ ...letters, underline: false, colour }),
      fontWeight: letters.bold ? 700 : 400,
      fontStyle: letters.italic ? 'italic' : 'normal',
      fontSize: letterSize(letters, height) * zoom,
      lineHeight: 1.15,
      textAlign: ALIGNED[letters.align],
      resize: 'none',
      userSelect: 'text',
    } satisfies CSSProperties,
  };
  return letters.lines ? (
    <PlainTextArea {...shared} spellCheck />
  ) : (
    <PlainInput {...shared} type={letters.secret ? 'password' : 'text'} />
  );
}
