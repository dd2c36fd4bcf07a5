import { boundsOf } from '@marginalis/core/derived';
import { inOrder, marksOn } from '@marginalis/core/document';
import { boxCentre, displayMatrix, transformBox } from '@marginalis/core/geometry';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useSession } from '@/session';
import { type Reader, SecondWindow, useReader } from '@/shell';
import type { StagePlace } from '@/stage';
import { NextLine } from './NextLine';

/** CSS pixels a point: letters of 3 mm are as tall as a finger writes them. */
const ZOOM = 2.4;
/** What is written last stands so far from the window's corner, points. */
const AROUND = { x: 48, y: 40 };

/** Where one writes on: beside what was written last on the page in sight, or at the head of what is seen. */
function beginning({ session, stage }: Reader): StagePlace {
  const { document } = session.store.getState();
  const { current } = stage.getSight();
  const page = stage.pages[current];
  const last = inOrder(marksOn(document, page.id)).at(-1);
  if (!last) {
    const y = Math.max(0, stage.getPlace().at.y);
    return { page: page.id, at: { x: 0, y: y + AROUND.y }, zoom: ZOOM, fit: 'free' };
  }
  const box = transformBox(displayMatrix(page), boundsOf(last));
  return {
    page: page.id,
    at: {
      x: Math.max(0, box.maxX - AROUND.x),
      y: Math.max(0, boxCentre(box).y - AROUND.y),
    },
    zoom: ZOOM,
    fit: 'free',
  };
}

/** Magnifies the place one writes at, and moves on as the hand comes to its end. */
export function WritingWindow() {
  const reader = useReader();
  const { desk } = useSession();
  const [place] = useState(() => beginning(reader));
  return (
    <View style={styles.window}>
      <SecondWindow label={`Writing window of ${desk.title}`} place={place}>
        <NextLine main={reader.stage} />
      </SecondWindow>
    </View>
  );
}

const styles = StyleSheet.create({ window: { flex: 1, position: 'relative', minHeight: 0 } });
