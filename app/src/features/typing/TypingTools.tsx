import { marksOn, type Page } from '@marginalis/core/document';
import {
  box,
  boxOfPoints,
  displayMatrix,
  invertMatrix,
  transformBox,
} from '@marginalis/core/geometry';
import { asText, cornersOfBox } from '@marginalis/core/kinds';
import { textOfSpans } from '@marginalis/core/type';
import { useEffect, useRef, useState } from 'react';
import { useSettings } from '@/session';
import { knownAnswers, useReader } from '@/shell';
import { Chip, ChipButton } from '@/stage';
import { LettersSheet } from './LettersSheet';
import { SymbolSheet } from './SymbolSheet';
import { areTurned, lookLetters, lookOfLetters, type Manner, turnLetters } from './turnLetters';
import type { Typing } from './Typing';

/** About how wide the chip is, CSS pixels. */
const CHIP = 312;
/** Letters of an answer are about so high, points. */
const LETTERS = 14;
const MANNERS: readonly (readonly [manner: Manner, sign: string, name: string])[] = [
  ['bold', 'B', 'Bold'],
  ['italic', 'I', 'Italic'],
  ['underline', 'U', 'Underlined'],
];

/** What can be done with a text while it is typed, on a chip beside it. */
export function TypingTools(props: {
  typing: Typing;
  page: Page;
  index: number;
  /** What is selected in the field, or was when it lost the focus. */
  selection: () => readonly [from: number, to: number] | null;
  /** Gives the focus back to the field, its caret at a place, or where it stood. */
  onBack: (place?: number) => void;
}) {
  const { typing, page, index, selection, onBack } = props;
  const reader = useReader();
  const hand = useSettings((s) => s.hand);
  const [symbols, setSymbols] = useState(false);
  const [letters, setLetters] = useState<readonly [number, number] | null>(null);
  const [on, setOn] = useState('');
  const asked = useRef(selection);
  useEffect(() => {
    asked.current = selection;
  });
  useEffect(() => {
    // Where the caret is, and how it is there, is the field's business: it is asked when either may have changed.
    const look = (): void =>
      setOn(
        MANNERS.filter(([manner]) => areTurned(typing, manner, asked.current()))
          .map(([manner]) => manner)
          .join(' '),
      );
    look();
    const ended = typing.store.subscribe((now, before) => {
      if (now.next !== before.next || now.version !== before.version) look();
    });
    // The field learns of it first.
    let frame = 0;
    const lookSoon = (): void => {
      cancelAnimationFrame(frame);
      frame = requestAnimationFrame(look);
    };
    document.addEventListener('selectionchange', lookSoon);
    return () => {
      ended();
      cancelAnimationFrame(frame);
      document.removeEventListener('selectionchange', lookSoon);
    };
  }, [typing]);
  const closeSheets = (place?: number): void => {
    setSymbols(false);
    setLetters(null);
    // After the sheet has given the focus to whatever had it before.
    requestAnimationFrame(() => onBack(place));
  };
  const putSign = (sign: string): void => {
    const { length } = textOfSpans(typing.mark.block.spans);
    const [from, to] = selection() ?? [length, length];
    useSettings.getState().noteSign(sign);
    typing.put(from, to, sign);
    closeSheets(from + sign.length);
  };
  // The question that is answered is to be read meanwhile, and what was answered to others.
  const print = typing.session.print.known(page)?.lines.map((line) => line.box) ?? [];
  const answers = [...marksOn(typing.session.store.getState().document, page.id).values()].flatMap(
    (mark) => {
      const text = mark.id === typing.mark.id ? null : asText(mark);
      return text ? [boxOfPoints(cornersOfBox(text))] : [];
    },
  );
  // Nor what is to be answered next.
  const toUser = invertMatrix(displayMatrix(page));
  const places = (knownAnswers(reader, index) ?? []).map(({ from, to, y, room }) =>
    transformBox(toUser, box(from, y - Math.min(room, LETTERS), to, y)),
  );
  return (
    <>
      <Chip
        docks
        index={index}
        page={page}
        ink={[...print, ...answers, ...places]}
        hand={hand}
        clearOf={cornersOfBox(typing.mark)}
        width={CHIP}
        label="Text"
      >
        {MANNERS.map(([manner, sign, name]) => (
          <ChipButton
            key={manner}
            text={sign}
            label={name}
            on={on.split(' ').includes(manner)}
            onPress={() => {
              turnLetters(typing, manner, selection());
              onBack();
            }}
          />
        ))}
        <ChipButton
          text="Aa"
          label="Face, size and ink of letters"
          onPress={() => setLetters(selection() ?? [0, 0])}
        />
        <ChipButton text="Ω" label="Symbols" onPress={() => setSymbols(true)} />
        <ChipButton text="Done" onPress={() => typing.finish()} />
      </Chip>
      {letters && (
        <LettersSheet
          look={lookOfLetters(typing, letters)}
          some={letters[1] > letters[0]}
          onChange={(change) => lookLetters(typing, change, letters)}
          onClose={() => closeSheets()}
        />
      )}
      {symbols && <SymbolSheet onSign={putSign} onClose={() => closeSheets()} />}
    </>
  );
}
