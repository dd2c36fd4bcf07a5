import { liesBeneath } from '@marginalis/core/derived';
import { findMark } from '@marginalis/core/document';
import {
  boundsOfAll,
  changeFigure,
  lookOfText,
  type Restyle,
  restyleMarks,
} from '@marginalis/core/editing';
import type { Dash, Figure } from '@marginalis/core/figures';
import { POINTS_PER_MM } from '@marginalis/core/ink';
import { asFigure, asText, asWords, kindFor, type Mark } from '@marginalis/core/kinds';
import {
  HIGHLIGHTER_INKS,
  inkAfter,
  inkName,
  type InstrumentKind,
  PEN_INKS,
  WIDTHS_MM,
  WORD_MANNER_NAMES,
  WORD_MANNERS,
  type WordManner,
} from '@marginalis/core/marks';
import { useEffect, useState } from 'react';
import { ScrollView, StyleSheet } from 'react-native';
import { Text, TextInput, useTheme } from 'react-native-paper';
import { useSettings, useSession } from '@/session';
import { relookTexts, TextLook, useReader } from '@/shell';
import { Action, type Choice, Choices, InkDrop, withOwn } from '@/ui';
import { usePicked } from './usePicked';

const LINES: readonly Choice<Dash>[] = [
  { value: 'none', label: 'Solid' },
  { value: 'dashed', label: 'Dashed' },
  { value: 'dotted', label: 'Dotted' },
];
const OPACITIES = [0.25, 0.5, 0.75, 1];
const STEADINESS = [0, 20, 40, 60, 80, 100];
const FILLS = [0, 0.15, 0.35, 1];
/** Length of an arrowhead's barbs, points. */
const HEADS = [0, 7, 11, 16];
const HEAD_NAMES = ['None', 'Small', 'Medium', 'Large'];
/** What no choice has: marks that differ have none of them chosen. */
const MIXED = -1;

/** By then the window has its new size, ms. */
const PLACED = 60;

const percent = (o: number): string => `${Math.round(100 * o)} %`;
const millimetres = (points: number): number => Math.round((100 * points) / POINTS_PER_MM) / 100;

/** The value all marks share; `otherwise` when they differ or there are none. */
function common<A, T, O>(all: readonly A[], of: (one: A) => T, otherwise: O): T | O {
  const values = new Set(all.map(of));
  return values.size === 1 ? [...values][0] : otherwise;
}
const known = (values: readonly number[], own: number): number[] =>
  own === MIXED ? [...values] : withOwn(values, own);

/** A palette, the person's own inks, and the one that is there. */
const inksOf = (
  palette: readonly string[],
  own: readonly string[],
  colour: string,
): readonly Choice<string>[] =>
  [...new Set([...palette, ...own, ...(colour ? [colour] : [])])].map((c) => ({
    value: c,
    label: inkName(c),
    sign: <InkDrop colour={c} />,
  }));

/** Whose widths marks can have. */
const widthsOf = (light: boolean, onWords: boolean): InstrumentKind =>
  onWords ? 'word-marker' : light ? 'highlighter' : 'figure-pen';

/** How what is picked looks, wherever it lies; gone when nothing is picked any more. */
export function RestylePanel({ onGone }: { onGone: () => void }) {
  const marks = usePicked();
  const { shell, stage, session } = useReader();
  const isEmpty = marks.length === 0;
  useEffect(() => {
    if (isEmpty) shell.closePanel('roll');
  }, [isEmpty, shell]);
  const [first] = marks;
  const firstId = first?.id;
  useEffect(() => {
    // Once the panel has its place, what is restyled is beside it or above it.
    const placed = setTimeout(() => {
      const { document } = session.store.getState();
      const mark = firstId === undefined ? null : findMark(document, firstId);
      if (mark) stage.bringInSight(stage.indexOf(mark.page), boundsOfAll([mark]));
    }, PLACED);
    return () => clearTimeout(placed);
  }, [session, stage, firstId]);
  if (!first) return null;
  return (
    <ScrollView contentContainerStyle={styles.panel}>
      <Look marks={marks} onDone={onGone} />
    </ScrollView>
  );
}

/** Ink, width, opacity, steadiness, line, inside, arrowheads, author: each is changed at once. */
function Look({ marks, onDone }: { marks: readonly Mark[]; onDone: () => void }) {
  const session = useSession();
  const own = useSettings((r) => r.inks);
  const ids = marks.map(({ id }) => id);
  const change = (restyle: Restyle) =>
    session.dispatch(restyleMarks(session.store.getState().document, ids, restyle));
  const looks = marks.map((mark) => kindFor(mark).look(mark));
  const hasInk = looks.some((look) => !look.inkless);
  const inks = looks.filter((look) => look.steadiness !== undefined);
  const onWords = marks.flatMap((mark) => asWords(mark) ?? []);
  const manner = common(onWords, (mark) => mark.manner, '' as WordManner);
  const figures = looks.filter((look) => look.dash !== undefined);
  const closed = looks.filter((look) => look.fill !== undefined);
  const colour = common(marks, (m) => m.style.colour, '');
  const width = common(marks, (m) => millimetres(m.style.width), MIXED);
  const opacity = common(marks, (m) => m.style.opacity, MIXED);
  const steadiness = common(inks, (look) => look.steadiness ?? MIXED, MIXED);
  const dash = common(figures, (look) => look.dash ?? 'none', '' as Dash);
  const fill = common(closed, (look) => look.fill?.opacity ?? 0, MIXED);
  const inside = common(closed, (look) => look.fill?.colour ?? '', '');
  const light = marks.every(liesBeneath);
  const palette = (light ? HIGHLIGHTER_INKS : PEN_INKS).map((ink) => ink.colour);
  const [only] = marks;
  const texts = marks.flatMap((mark) => asText(mark) ?? []);
  const isText = texts.length === marks.length;
  const title = marks.length === 1 ? kindFor(only).words(only).name : `${marks.length} marks`;
  const figure = marks.length === 1 ? asFigure(only)?.figure : undefined;
  return (
    <>
      <Text variant="titleMedium" role="heading" aria-level={3}>
        {title}
      </Text>
      {onWords.length > 0 && (
        <Choices
          label="Words are"
          value={manner}
          onChange={(next) => {
            const { style } = onWords[0];
            change({ manner: next, style: inkAfter(onWords[0].manner, next, style) });
          }}
          choices={WORD_MANNERS.map((value) => ({ value, label: WORD_MANNER_NAMES[value] }))}
        />
      )}
      {hasInk && (
        <Choices
          label="Ink"
          value={colour}
          onChange={(next) => change({ style: { colour: next } })}
          choices={inksOf(palette, own, colour)}
        />
      )}
      {hasInk && !isText && !(onWords.length === marks.length && light) && (
        <Choices
          label="Width, mm"
          value={width}
          onChange={(mm) => change({ style: { width: mm * POINTS_PER_MM } })}
          choices={known(WIDTHS_MM[widthsOf(light, onWords.length > 0)], width).map((mm) => ({
            value: mm,
            label: String(mm),
          }))}
        />
      )}
      <Choices
        label="Opacity"
        value={opacity}
        onChange={(next) => change({ style: { opacity: next } })}
        choices={known(OPACITIES, opacity).map((o) => ({ value: o, label: percent(o) }))}
      />
      {inks.length > 0 && (
        <Choices
          label="Steadiness"
          value={steadiness}
          onChange={(next) => change({ steadiness: next })}
          choices={known(STEADINESS, steadiness).map((s) => ({ value: s, label: String(s) }))}
        />
      )}
      {figures.length > 0 && (
        <Choices
          label="Line"
          value={dash}
          onChange={(next) => change({ dash: next })}
          choices={LINES}
        />
      )}
      {closed.length > 0 && (
        <Choices
          label="Inside"
          value={fill}
          onChange={(next) =>
            change({ fill: next === 0 ? null : { colour: inside || colour, opacity: next } })
          }
          choices={known(FILLS, fill).map((o) => ({
            value: o,
            label: o === 0 ? 'Empty' : percent(o),
          }))}
        />
      )}
      {inside !== '' && fill !== 0 && (
        <Choices
          label="Ink inside"
          value={inside}
          onChange={(next) =>
            change({ fill: { colour: next, opacity: fill === MIXED ? FILLS[1] : fill } })
          }
          choices={inksOf(
            [...PEN_INKS, ...HIGHLIGHTER_INKS].map((ink) => ink.colour),
            own,
            inside,
          )}
        />
      )}
      {figure && (
        <Heads
          figure={figure}
          onChange={(next) =>
            session.dispatch(
              changeFigure(session.store.getState().document, only.id, { figure: next }),
            )
          }
        />
      )}
      {isText && (
        <TextLook
          look={lookOfText(texts[0])}
          onChange={(next) => void relookTexts(session, texts, next)}
        />
      )}
      <Author
        key={ids.join()}
        author={common(marks, (m) => m.author ?? '', '')}
        onChange={(author) => change({ author })}
      />
      {marks.length === 1 && <LikeThis mark={only} onDone={onDone} />}
    </>
  );
}

/** Who made the marks. */
function Author({ author, onChange }: { author: string; onChange: (author: string) => void }) {
  const { colors } = useTheme();
  const [text, setText] = useState(author);
  return (
    <TextInput
      mode="outlined"
      dense
      style={{ backgroundColor: colors.surface, height: 46 }}
      label="Author"
      accessibilityLabel="Author"
      value={text}
      maxLength={100}
      onChangeText={setText}
      onBlur={() => onChange(text.trim())}
      onSubmitEditing={() => onChange(text.trim())}
    />
  );
}

/** Gives the instrument in hand the look of a mark. */
function LikeThis({ mark, onDone }: { mark: Mark; onDone: () => void }) {
  const { roll, change } = useSettings();
  const { hand } = useSession();
  const wanted = kindFor(mark).madeWith?.(mark);
  const { steadiness, nib, manner } = kindFor(mark).look(mark);
  const held = hand.instrument();
  const instrument = held.kind === wanted ? held : roll.find(({ kind }) => kind === wanted);
  if (!instrument) return null;
  const text = asText(mark);
  return (
    <Action
      mode="outlined"
      onPress={() => {
        if (text) change(instrument.id, lookOfText(text));
        else
          change(instrument.id, {
            colour: mark.style.colour,
            widthMm: millimetres(mark.style.width),
            opacity: mark.style.opacity,
            ...(steadiness === undefined ? {} : { steadiness }),
            ...(nib ? { nib } : {}),
            ...(manner ? { manner } : {}),
          });
        hand.choose(instrument.id);
        onDone();
      }}
    >
      {`Make the ${instrument.name.toLowerCase()} like this`}
    </Action>
  );
}

/** Arrowheads of an open figure; a line with one is an arrow. */
function Heads({ figure, onChange }: { figure: Figure; onChange: (figure: Figure) => void }) {
  const { kind } = figure;
  if (!['line', 'arrow', 'polyline', 'arc', 'curve'].includes(kind)) return null;
  const { head = 0, tail = 0 } = figure as { head?: number; tail?: number };
  const nearest = (size: number): number =>
    HEADS.reduce((best, h) => (Math.abs(h - size) < Math.abs(best - size) ? h : best));
  const set = (sizes: { head: number; tail: number }): void => {
    if (kind !== 'line' && kind !== 'arrow') return onChange({ ...figure, ...sizes } as Figure);
    const { from, to } = figure;
    if (sizes.head === 0 && sizes.tail === 0) return onChange({ kind: 'line', from, to });
    onChange({ kind: 'arrow', from, to, ...sizes });
  };
  const choices = HEADS.map((value, k) => ({ value, label: HEAD_NAMES[k] }));
  return (
    <>
      <Choices
        label="Arrowhead at the beginning"
        value={nearest(tail)}
        onChange={(next) => set({ head, tail: next })}
        choices={choices}
      />
      <Choices
        label="Arrowhead at the end"
        value={nearest(head)}
        onChange={(next) => set({ head: next, tail })}
        choices={choices}
      />
    </>
  );
}

const styles = StyleSheet.create({ panel: { gap: 12, paddingBottom: 16 } });
