import { findMark, type Page } from '@marginalis/core/document';
import { carryMarks, cropGraphic, describePicture } from '@marginalis/core/editing';
import {
  boxCentre,
  boxOfPoints,
  displayMatrix,
  mapAsSeen,
  type Matrix,
  scaleAbout,
  transform,
  turnAbout,
  unitCorners,
  type Vec,
} from '@marginalis/core/geometry';
import {
  asGraphic,
  asPicture,
  type GraphicMark,
  type Mark,
  type PictureMark,
} from '@marginalis/core/kinds';
import { LONGEST_SAID } from '@marginalis/core/marks';
import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useSession, useSessionState } from '@/session';
import { CropFrame, WHOLE } from '@/stage';
import { Action, Field, Sheet } from '@/ui';
import { cropPart } from './cropPart';
import { takePaperOut } from './takePaperOut';
import { useShown } from './useShown';

/** What is to be seen on the picture that is picked, which part of it stays, and which way round it lies. */
export function AboutPicture({ onClose }: { onClose: () => void }) {
  const mark = useSessionState(({ document, picked }) => {
    const [id] = picked;
    return picked.size === 1 ? pictured(findMark(document, id)) : null;
  });
  const page = useSessionState(
    ({ document }) => document.pages.find(({ id }) => id === mark?.page) ?? null,
  );
  return (
    <Sheet title="Picture" open onClose={onClose}>
      {mark && page && <About key={mark.id} mark={mark} page={page} />}
    </Sheet>
  );
}

/** What can be described and cropped; null for every other mark. */
const pictured = (mark: Mark | null): PictureMark | GraphicMark | null =>
  asPicture(mark) ?? asGraphic(mark);

/** A quarter clockwise, as it is seen. */
const QUARTER = Math.PI / 2;

const WAYS: readonly { name: string; label: string; by: (middle: Vec) => Matrix }[] = [
  { name: 'Turn left', label: 'Turn', by: (middle) => turnAbout(-QUARTER, middle) },
  { name: 'Turn right', label: 'Turn', by: (middle) => turnAbout(QUARTER, middle) },
  { name: 'Mirror', label: 'Mirror', by: (middle) => scaleAbout(-1, 1, middle) },
  { name: 'Upside down', label: 'Mirror', by: (middle) => scaleAbout(1, -1, middle) },
];

function About({ mark, page }: { mark: PictureMark | GraphicMark; page: Page }) {
  const session = useSession();
  const [says, setSays] = useState(mark.says);
  const [part, setPart] = useState(WHOLE);
  const [waits, setWaits] = useState(false);
  const [photo, drawn] = [asPicture(mark), asGraphic(mark)];
  const shown = useShown(mark);
  const describe = (): void => {
    const now = pictured(findMark(session.store.getState().document, mark.id));
    if (now) session.dispatch(describePicture(now, says.trim()));
  };
  // A sheet that is closed takes the focus from nothing: what was typed last is kept then.
  const last = useRef(describe);
  useEffect(() => {
    last.current = describe;
  });
  useEffect(() => () => last.current(), []);
  const carry = (by: (middle: Vec) => Matrix, label: string): void => {
    const { document } = session.store.getState();
    const middle = transform(displayMatrix(page), boxCentre(boxOfPoints(unitCorners(mark.place))));
    session.dispatch(carryMarks(document, [mark.id], mapAsSeen(page, by(middle)), label));
  };
  const crop = async (): Promise<void> => {
    setWaits(true);
    if (photo) await cropPart(session, photo, part);
    else if (drawn) session.dispatch(cropGraphic(drawn, part));
    setPart(WHOLE);
    setWaits(false);
  };
  const bare = async (from: PictureMark): Promise<void> => {
    setWaits(true);
    await takePaperOut(session, from);
    setWaits(false);
  };
  return (
    <View style={styles.all}>
      <Field
        label="What is to be seen on it"
        value={says}
        maxLength={LONGEST_SAID}
        multiline
        onChangeText={setSays}
        onBlur={describe}
      />
      <Text variant="bodySmall">Read aloud to those who do not see it, here and in copies.</Text>
      {shown && (
        <>
          <CropFrame
            address={shown.address}
            says={says.trim() || shown.name}
            aspect={shown.aspect}
            part={part}
            onPart={setPart}
          />
          <View style={styles.row}>
            <Action mode="outlined" disabled={waits || part === WHOLE} onPress={() => void crop()}>
              Crop
            </Action>
            {photo && (
              <Action mode="outlined" disabled={waits} onPress={() => void bare(photo)}>
                Take the paper out
              </Action>
            )}
            {part !== WHOLE && <Action onPress={() => setPart(WHOLE)}>Keep all of it</Action>}
          </View>
        </>
      )}
      <View style={styles.row} role="group" aria-label="Which way round">
        {WAYS.map(({ name, label, by }) => (
          <Action key={name} mode="outlined" onPress={() => carry(by, label)}>
            {name}
          </Action>
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: 8 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
