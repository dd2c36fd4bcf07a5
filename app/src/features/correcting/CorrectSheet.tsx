import { findMark } from '@marginalis/core/document';
import { correctionOf } from '@marginalis/core/editing';
import { distance } from '@marginalis/core/geometry';
import { blockOfCorrection, LONGEST_LINE, NARROWEST, WIDEST } from '@marginalis/core/kinds';
import { lettersFor, placedLetters } from '@marginalis/core/print';
import { type Family, faceOfStyle, type LetterStyle, type SetBlock } from '@marginalis/core/type';
import { useState, useSyncExternalStore } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useStore } from 'zustand';
import { usePageNames, useSession, useSettings } from '@/session';
import { pageFonts } from '@/stage';
import { Action, Field, NumberField, Sheet } from '@/ui';
import { type AskedLine, askedLine } from './asked';
import { CorrectLook, tenths } from './CorrectLook';
import { putCorrections } from './putCorrections';
import { SameLines } from './SameLines';
import { useSameLines } from './useSameLines';

/** So far a line is moved at most, points. */
const FARTHEST = 2_000;

/** What a line of print is to say instead, and how. */
export function CorrectSheet({ onClose }: { onClose: () => void }) {
  const asked = useStore(askedLine, (s) => s.asked);
  return asked && <Asked key={asked.line.was} asked={asked} onClose={onClose} />;
}

function Asked({ asked, onClose }: { asked: AskedLine; onClose: () => void }) {
  const { line, isThere } = asked;
  const session = useSession();
  const author = useSettings((s) => s.author);
  const { colors } = useTheme();
  const [says, setSays] = useState(asked.says);
  const [given, setLook] = useState<LetterStyle | null>(null);
  const look = given ?? nearestByWidth(asked);
  const change = (part: Partial<LetterStyle>): void => setLook({ ...look, ...part });
  // Faces come when they are asked for.
  useSyncExternalStore(pageFonts.subscribe, pageFonts.version, pageFonts.version);
  pageFonts.face(faceOfStyle(look));
  const set = pageFonts.setBlock(blockOfCorrection({ says: says || ' ', look }));
  const printed = pageFonts.setBlock(blockOfCorrection({ says: line.was, look }));
  const stretch = set && printed ? stretchFor(asked, widthOf(set), widthOf(printed)) : null;
  const [isOwn, setOwn] = useState(asked.isOwn);
  const own = isOwn && stretch !== null && set ? setInOwn(asked, says.trim(), look.size) : null;
  const narrow = own?.stretch ?? stretch;
  const isTooLong = says !== '' && narrow !== null && narrow < NARROWEST;
  const nameOf = usePageNames();
  const sameLines = useSameLines(asked);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [shift, setShift] = useState(asked.shift);
  const put = (text: string): void => {
    if (!set || stretch === null) return;
    const below = set.lines[0]?.baseline ?? look.size;
    const correction = {
      ...{ says: text.trim(), look, paper: asked.paper, shift, author },
      set: { below, width: widthOf(set) },
      // What is found beneath the print's own letters is as long as they are.
      ...(own && text !== ''
        ? {
            own: { letters: own.letters, drop: below / look.size, stretch: own.stretch },
            stretch: own.length / widthOf(set),
          }
        : { stretch }),
    };
    const others = (sameLines ?? []).filter(({ key }) => chosen.has(key));
    onClose();
    void putCorrections(session, asked, correction, others, nameOf);
  };
  const takeBack = (): void => {
    const { document } = session.store.getState();
    const there = correctionOf(document, asked.page, line);
    const mark = there && findMark(document, there.id);
    if (mark)
      session.dispatch({
        label: 'Take a correction back',
        changes: [{ part: 'mark', id: mark.id, before: mark, after: null }],
      });
    onClose();
  };
  const foot = (
    <View style={styles.foot}>
      {isThere ? (
        <Action onPress={takeBack}>As it was printed</Action>
      ) : (
        <Action onPress={() => put('')}>Take the words out</Action>
      )}
      <Action
        mode="contained"
        disabled={!set || stretch === null || isTooLong || says.trim() === ''}
        onPress={() => put(says)}
      >
        Correct
      </Action>
    </View>
  );
  return (
    <Sheet title="Correct the print" open onClose={onClose} foot={foot}>
      <Field
        label="The line says"
        value={says}
        maxLength={LONGEST_LINE}
        onChangeText={setSays}
        onSubmitEditing={() => !isTooLong && says.trim() !== '' && put(says)}
      />
      {isTooLong && (
        <Text role="alert" style={{ color: colors.error }}>
          This is too long for the line. Say it in fewer words.
        </Text>
      )}
      {says !== line.was && (
        <Text variant="bodySmall" style={{ color: colors.onSurfaceVariant }}>
          {`Printed: ${line.was}`}
        </Text>
      )}
      <CorrectLook
        asked={asked}
        look={look}
        isOwn={own !== null}
        lacking={isOwn && !own ? lackingIn(asked, says) : ''}
        onChange={change}
        onOwn={setOwn}
      />
      <NumberField
        label="Moved right, points"
        value={tenths(shift.x)}
        least={-FARTHEST}
        most={FARTHEST}
        onChange={(x) => setShift({ ...shift, x })}
      />
      <NumberField
        label="Moved up, points"
        value={tenths(shift.y)}
        least={-FARTHEST}
        most={FARTHEST}
        onChange={(y) => setShift({ ...shift, y })}
      />
      {sameLines && sameLines.length > 0 && (
        <SameLines lines={sameLines} chosen={chosen} onChosen={setChosen} />
      )}
      <Text variant="bodySmall" style={{ color: colors.onSurfaceVariant }}>
        The file stays as it is, and the correction can be taken back. In copies the old words are
        gone.
      </Text>
    </Sheet>
  );
}

/** A line in the print's own letters, as long as it then is, points, narrower where the column ends; null where they do not have it. */
function setInOwn({ letters, room }: AskedLine, says: string, size: number) {
  const taken = letters && lettersFor(says, letters);
  if (!taken || says === '') return null;
  const wide = size * placedLetters(says, taken).width;
  const stretch = wide > 0 ? Math.min(1, Math.max(room, 1) / wide) : 1;
  return { letters: taken, stretch, length: wide * stretch };
}

/** Signs of a text that the print has no letters for, as they are told. */
function lackingIn({ letters }: AskedLine, says: string): string {
  const known = new Set(letters?.map(({ char }) => char));
  const lacking = [...new Set([...says.trim()].filter((char) => !known.has(char)))];
  return lacking
    .slice(0, 5)
    .map((char) => `“${char}”`)
    .join(', ');
}

/** Of letters whose name says nothing of serifs those are taken that are as wide as the print. */
function nearestByWidth({ look, line, isGuess }: AskedLine): LetterStyle {
  if (!isGuess) return look;
  const [, , foot, footEnd] = line.quad;
  const wide = distance(foot, footEnd);
  const off = (family: Family): number => {
    const asIs = { ...look, family };
    pageFonts.face(faceOfStyle(asIs));
    const set = pageFonts.setBlock(blockOfCorrection({ says: line.was, look: asIs }));
    return set ? Math.abs(widthOf(set) - wide) : Infinity;
  };
  return { ...look, family: off('serif') <= off('sans') ? 'serif' : 'sans' };
}

const widthOf = ({ lines }: SetBlock): number => lines[0]?.width ?? 0;

/** How much wider or narrower letters are set: as the print has them, or as much narrower as the line takes. */
function stretchFor({ line, room }: AskedLine, wide: number, printed: number): number {
  const [, , foot, footEnd] = line.quad;
  const asPrinted = printed > 0 ? distance(foot, footEnd) / printed : 1;
  const usual = Math.min(WIDEST, Math.max(NARROWEST, asPrinted));
  return wide > 0 ? Math.min(usual, Math.max(room, 1) / wide) : usual;
}

const styles = StyleSheet.create({
  foot: { flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'flex-end', gap: 8 },
});
