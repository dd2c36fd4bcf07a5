import { findMark } from '@marginalis/core/document';
import { LONGEST_TEX } from '@marginalis/core/equations';
import { type EquationPart, insertPart } from '@marginalis/core/equation-parts';
import { asEquation, equationSize } from '@marginalis/core/kinds';
import { useRef, useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { useTheme } from 'react-native-paper';
import { useStore } from 'zustand';
import { useReader } from '@/shell';
import { Action, NumberField, PlainTextArea, Sheet, WIDE_FROM } from '@/ui';
import { equationAsked } from './asked';
import { keepEquation, SMALLEST, LARGEST, styleOfNew } from './keepEquation';
import { PartsOfEquations } from './PartsOfEquations';
import { Preview } from './Preview';
import { useEquation } from './useEquation';

/** Inside of a sheet, pixels. */
const ROOM = 420;
const MARGINS = 66;

/** Types an equation, or changes one: it is seen as it will be drawn, with parts to put in for who knows no TeX. */
export function EquationSheet({ onClose }: { onClose: () => void }) {
  const reader = useReader();
  const { id, spot } = useStore(equationAsked);
  const { colors } = useTheme();
  const window = useWindowDimensions();
  const [before] = useState(() =>
    id === null ? null : asEquation(findMark(reader.session.store.getState().document, id)),
  );
  const [fresh] = useState(() => styleOfNew(reader));
  const [tex, setTex] = useState(before?.tex ?? '');
  const [size, setSize] = useState(() =>
    before ? Math.round(equationSize(before) * 10) / 10 : fresh.size,
  );
  const field = useRef<HTMLTextAreaElement | null>(null);
  const set = useEquation(tex);
  const { outline, problem, isSettled } = set;
  const isReady = outline !== null && problem === null && isSettled;
  const select = (from: number, to: number): void => {
    field.current?.focus();
    field.current?.setSelectionRange(from, to);
  };
  const put = (part: EquationPart): void => {
    const caret = field.current;
    const [from, to] = caret
      ? [caret.selectionStart, caret.selectionEnd]
      : [tex.length, tex.length];
    const draft = insertPart({ text: tex, from, to }, part);
    if (draft.text.length > LONGEST_TEX) return;
    setTex(draft.text);
    // When the field has it.
    requestAnimationFrame(() => select(draft.from, draft.to));
  };
  const keep = (): void => {
    if (!isReady) return;
    onClose();
    keepEquation(reader, { id, spot }, { tex, outline, size });
  };
  const widest = Math.min(window.width, window.width >= WIDE_FROM ? ROOM : Infinity) - MARGINS;
  return (
    <Sheet
      title="Equation"
      open
      onClose={onClose}
      foot={
        <View style={styles.foot}>
          <NumberField
            label="Size, points"
            value={size}
            least={SMALLEST}
            most={LARGEST}
            onChange={setSize}
          />
          <Action mode="contained" disabled={!isReady} onPress={keep}>
            {before ? 'Change it' : 'Put it on the page'}
          </Action>
        </View>
      }
    >
      <PlainTextArea
        ref={field}
        aria-label="Equation in TeX"
        placeholder="\frac{a}{b}"
        value={tex}
        rows={3}
        maxLength={LONGEST_TEX}
        spellCheck={false}
        autoCapitalize="off"
        autoCorrect="off"
        autoFocus
        onChange={(e) => setTex(e.target.value)}
        onKeyDown={(e) => {
          if (e.key !== 'Enter' || !(e.ctrlKey || e.metaKey)) return;
          e.preventDefault();
          keep();
        }}
        style={{
          font: '16px/1.5 monospace',
          // Room for the ring around what has the focus.
          marginTop: 4,
          padding: 10,
          resize: 'vertical',
          color: colors.onSurface,
          background: colors.surface,
          border: `1px solid ${problem && isSettled ? colors.error : colors.outline}`,
          borderRadius: 4,
        }}
      />
      <Preview
        tex={tex}
        set={set}
        colour={before?.style.colour ?? fresh.style.colour}
        widest={widest}
        onPlace={select}
      />
      <PartsOfEquations onPart={put} />
    </Sheet>
  );
}

const styles = StyleSheet.create({
  foot: {
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    gap: 12,
  },
});
