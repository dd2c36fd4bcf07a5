import { findMark, type Page, pagesOfSource } from '@marginalis/core/document';
import {
  canBePut,
  changeEdition,
  type CarriedOver,
  type Verdict,
  VERDICTS,
} from '@marginalis/core/edition';
import type { Mark } from '@marginalis/core/kinds';
import { useCallback, useMemo, useRef, useState } from 'react';
import { FlatList, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useSession } from '@/session';
import { useReader } from '@/shell';
import { Action, Sheet, ToggleChip } from '@/ui';
import { CarriedRow, ROW_HEIGHT } from './CarriedRow';
import type { NewFile } from './comparison';
import { CARRY_TITLE, WAITING } from './ids';
import { countedInWords, VERDICT_WORDS } from './inWords';
import { MovePlace } from './MovePlace';
import { type Unit, unitsOf } from './units';

/** What is carried where is looked through, and then done, or not. */
export function Carried(props: {
  file: NewFile;
  carried: CarriedOver;
  onClose: () => void;
  onLeave: () => void;
}) {
  const { file, carried, onClose, onLeave } = props;
  const session = useSession();
  const { shell } = useReader();
  // As it was when both were compared; the marks are looked at as they were then.
  const [document] = useState(() => session.store.getState().document);
  const [moves, setMoves] = useState<ReadonlyMap<number, Unit['placed']>>(new Map());
  const [moving, setMoving] = useState<Unit | null>(null);
  // What was moved stands where it stood among the others.
  const units = useMemo(
    () =>
      unitsOf(carried.placed).map((one) => ({ ...one, placed: moves.get(one.unit) ?? one.placed })),
    [carried, moves],
  );
  const fresh = useMemo(() => pagesOfSource(file.source, file.pages, (k) => `new ${k}`), [file]);
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const [only, setOnly] = useState<Verdict | 'all'>('all');
  const [room, setRoom] = useState(0);
  const toggle = useCallback(
    (unit: number) =>
      setLeft((before) => {
        const next = new Set(before);
        if (!next.delete(unit)) next.add(unit);
        return next;
      }),
    [],
  );
  const counts = countsOf(units);
  const shown = only === 'all' ? units : units.filter(({ verdict }) => verdict === only);
  const going = units.filter(
    ({ unit, placed: [{ page }] }) => page !== null && !left.has(unit),
  ).length;
  const waiting = units.length - going;
  const isDone = useRef(false);
  const carry = (): void => {
    if (isDone.current) return;
    isDone.current = true;
    const marks = units
      .filter(({ unit }) => left.has(unit))
      .flatMap(({ placed }) => placed.map(({ mark }) => mark));
    const transaction = changeEdition({
      document: session.store.getState().document,
      was: session.leadingSource(),
      is: file.source,
      pages: file.pages,
      carried: { ...carried, placed: units.flatMap(({ placed }) => placed) },
      left: new Set(marks),
      newId: () => crypto.randomUUID(),
    });
    onClose();
    if (!session.dispatch(transaction)) return onLeave();
    session.notices.offerUndo({
      text:
        waiting > 0
          ? `The document shows the new edition. ${waiting === 1 ? 'A mark waits' : `${waiting} marks wait`} for a place.`
          : 'The document shows the new edition.',
      undo: session.undo,
    });
    if (waiting > 0) shell.openPanel('margin', WAITING);
  };
  const marksOf = ({ placed }: Unit): Mark[] =>
    placed.flatMap(({ mark }) => findMark(document, mark) ?? []);
  const pageOf = ([mark]: readonly Mark[]): Page | undefined =>
    document.pages.find(({ id }) => id === mark?.page);
  const move = (unit: number): void => setMoving(units.find((one) => one.unit === unit) ?? null);
  if (moving) {
    const marks = marksOf(moving);
    const before = pageOf(marks);
    const back = (): void => setMoving(null);
    if (before)
      return (
        <MovePlace
          unit={moving}
          marks={marks}
          before={before}
          pages={fresh}
          onMoved={(placed) => {
            setMoves(new Map(moves).set(moving.unit, placed));
            setLeft(new Set([...left].filter((one) => one !== moving.unit)));
            back();
          }}
          onClose={back}
        />
      );
  }
  const foot = (
    <View style={styles.foot}>
      <Action onPress={onLeave}>Keep the earlier edition</Action>
      <Action mode="contained" onPress={carry}>
        {units.length === 0 ? 'Show the new edition' : `Carry ${going} over`}
      </Action>
    </View>
  );
  return (
    <Sheet title={CARRY_TITLE} open onClose={onLeave} foot={foot} tall>
      <Text role="status">{countedInWords(counts)}</Text>
      {units.length > 0 && (
        <View style={styles.row} role="group" aria-label="Which marks">
          {(['all', ...VERDICTS] as const).map((value) => (
            <ToggleChip
              key={value}
              label={
                value === 'all' ? `All ${units.length}` : `${VERDICT_WORDS[value]} ${counts[value]}`
              }
              on={only === value}
              onPress={() => setOnly(value)}
            />
          ))}
        </View>
      )}
      <View style={styles.rows} onLayout={(e) => setRoom(e.nativeEvent.layout.width)}>
        {room > 0 && (
          <FlatList
            data={shown}
            keyExtractor={({ unit }) => String(unit)}
            getItemLayout={(_, k) => ({ length: ROW_HEIGHT, offset: ROW_HEIGHT * k, index: k })}
            initialNumToRender={5}
            windowSize={5}
            extraData={left}
            renderItem={({ item }) => {
              const marks = marksOf(item);
              const before = pageOf(marks);
              const { page } = item.placed[0];
              if (!before || marks.length === 0) return null;
              return (
                <CarriedRow
                  unit={item}
                  marks={marks}
                  before={before}
                  after={page === null ? null : fresh[page]}
                  taken={!left.has(item.unit)}
                  room={room}
                  onToggle={toggle}
                  onMove={marks.every(canBePut) ? move : null}
                />
              );
            }}
          />
        )}
      </View>
    </Sheet>
  );
}

function countsOf(units: readonly Unit[]): Record<Verdict, number> {
  const counts = { certain: 0, likely: 0, lost: 0 };
  for (const { verdict } of units) counts[verdict] += 1;
  return counts;
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 6 },
  rows: { flex: 1, minHeight: 0 },
  foot: { flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'flex-end', gap: 8 },
});
