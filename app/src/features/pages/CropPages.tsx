import { marksOn } from '@marginalis/core/document';
import { cropPages, type Insets, insetsOf } from '@marginalis/core/editing';
import { type Box, displaySize } from '@marginalis/core/geometry';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useSession, useSessionState } from '@/session';
import { useReader } from '@/shell';
import { CropFrame } from '@/stage';
import { Action, NumberField, Sheet } from '@/ui';
import { pagesAsked } from './asked';
import { OnPages } from './OnPages';
import { MM, SIDES } from './sides';

/** There may be room beyond a page, mm. */
const MOST_ROOM = 1000;
const NOTHING: Insets = { top: 0, right: 0, bottom: 0, left: 0 };
/** CSS pixels of the page's picture. */
const WIDTH = 360;

/** How much is cut away at the sides of pages, by a frame or by numbers. What is cut away is only not seen. */
export function CropPages({ onClose }: { onClose: () => void }) {
  const session = useSession();
  const { thumbnails } = useReader();
  const [{ ids }] = useState(() => pagesAsked.getState());
  const pages = useSessionState((s) => s.document.pages);
  const page = pages.find(({ id }) => id === ids[0]) ?? pages[0];
  const [insets, setInsets] = useState(() => insetsOf(page));
  const [on, setOn] = useState<'these' | 'all'>('these');
  const [address, setAddress] = useState<string | null>(null);
  const { width, height } = displaySize({ ...page, box: page.sheet });
  useEffect(() => {
    const unwanted = new AbortController();
    const whole = { ...page, id: `${page.id}, whole`, box: page.sheet, crop: null };
    const marks = marksOn(session.store.getState().document, page.id);
    thumbnails.of(whole, marks, WIDTH, unwanted.signal).then(
      (made) => unwanted.signal.aborted || setAddress(made),
      // The frame then lies on white.
      (e: unknown) => console.warn('The page could not be drawn.', e),
    );
    return () => unwanted.abort();
  }, [thumbnails, session, page]);
  const part: Box = {
    minX: Math.max(0, insets.left / width),
    minY: Math.max(0, insets.top / height),
    maxX: Math.min(1, 1 - insets.right / width),
    maxY: Math.min(1, 1 - insets.bottom / height),
  };
  const crop = (by: Insets | null): void => {
    const { document } = session.store.getState();
    const all = document.pages.map(({ id }) => id);
    const cropping = cropPages(document, on === 'all' ? all : ids, by);
    if (cropping) session.dispatch(cropping);
    onClose();
  };
  const foot = (
    <View style={styles.row}>
      <Action
        mode="contained"
        onPress={() =>
          crop(Object.values(insets).some((by) => Math.abs(by) > 0.01) ? insets : null)
        }
      >
        Crop
      </Action>
      <Action onPress={() => crop(null)}>Show all of it again</Action>
    </View>
  );
  return (
    <Sheet title="Crop pages" open onClose={onClose} foot={foot}>
      {address !== null && (
        <CropFrame
          address={address}
          says="The page, whole"
          aspect={width / height}
          part={part}
          onPart={({ minX, minY, maxX, maxY }) =>
            // Room beyond a side that is not dragged stays.
            setInsets({
              top: minY === part.minY ? insets.top : minY * height,
              right: maxX === part.maxX ? insets.right : (1 - maxX) * width,
              bottom: maxY === part.maxY ? insets.bottom : (1 - maxY) * height,
              left: minX === part.minX ? insets.left : minX * width,
            })
          }
        />
      )}
      <View style={styles.row} role="group" aria-label="Cut away">
        {SIDES.map(({ side, label }) => (
          <NumberField
            key={side}
            label={label}
            value={Math.round(insets[side] * MM * 10) / 10}
            least={-MOST_ROOM}
            most={Math.floor((side === 'top' || side === 'bottom' ? height : width) * MM)}
            onChange={(mm) => setInsets({ ...insets, [side]: mm / MM })}
          />
        ))}
      </View>
      <OnPages count={ids.length} on={on} onChange={setOn} />
      <Text variant="bodySmall">
        What is cut away is not seen any more, and can be shown again here. Copies still hold it,
        unless you leave it out when you send them.
      </Text>
      <Action onPress={() => setInsets(NOTHING)}>Frame the whole page</Action>
    </Sheet>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8 },
});
