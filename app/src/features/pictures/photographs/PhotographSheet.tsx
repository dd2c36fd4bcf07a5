import type { PagePicture } from '@marginalis/core/pdf';
import { StyleSheet, View } from 'react-native';
import { ActivityIndicator, Text, useTheme } from 'react-native-paper';
import { Action, pickFiles, Sheet, SwitchRow } from '@/ui';
import { CornersFrame } from './CornersFrame';
import { PhotoStrip } from './PhotoStrip';
import { useSamplePhoto } from './useSamplePhoto';
import { usePhotos } from './usePhotos';

/** Sheets of paper are photographed, or chosen from photographs, and become upright white pages. */
export function PhotographSheet(props: {
  /** What its last button says for so many pages. */
  done: (count: number) => string;
  /** Rejects with a PictureRefusal, which is told, where nothing can be made of them. */
  onPages: (pages: readonly PagePicture[]) => Promise<void>;
  onClose: () => void;
}) {
  const { done, onPages, onClose } = props;
  const { colors } = useTheme();
  const photographs = usePhotos();
  const { photos, shown, waits, trouble } = photographs;
  const sample = useSamplePhoto();
  const ways = (
    <View style={styles.row}>
      <Action
        mode="outlined"
        disabled={waits}
        onPress={() => void photographs.add(() => pickFiles('image/*', 'camera'))}
      >
        {photos.length > 0 ? 'Photograph another' : 'Photograph a sheet'}
      </Action>
      <Action disabled={waits} onPress={() => void photographs.add(() => pickFiles('image/*'))}>
        Choose photographs
      </Action>
      {sample && photos.length === 0 && (
        <Action disabled={waits} onPress={() => void photographs.add(sample)}>
          Use a sample photograph
        </Action>
      )}
    </View>
  );
  const foot = (
    <View style={styles.foot}>
      {photos.length > 0 && ways}
      {photos.length > 0 && (
        <Action mode="contained" disabled={waits} onPress={() => void photographs.finish(onPages)}>
          {done(photos.length)}
        </Action>
      )}
    </View>
  );
  return (
    <Sheet title="Photograph paper" open onClose={onClose} foot={photos.length > 0 && foot}>
      <View aria-live="polite">
        {trouble && <Text style={{ color: colors.error }}>{trouble}</Text>}
        {waits && <ActivityIndicator accessibilityLabel="Working on the photograph" />}
      </View>
      {photos.length === 0 && (
        <>
          <Text>
            Lay the sheet on something darker than itself, with all of its corners in the picture.
            It is laid straight, its shadows go and its paper becomes white. Nothing leaves this
            device.
          </Text>
          {ways}
        </>
      )}
      {shown && !shown.made && (
        <>
          <Text>
            {shown.isFound
              ? 'Are these the corners of the sheet? They can be dragged.'
              : 'No sheet was seen on it: drag the corners to those of the sheet.'}
          </Text>
          <CornersFrame
            address={shown.address}
            aspect={shown.aspect}
            corners={shown.corners}
            onCorners={(corners) => photographs.correct(shown, { corners })}
          />
        </>
      )}
      {shown?.made && (
        <img
          src={shown.made.address}
          alt="The page that comes of it"
          style={{
            alignSelf: 'center',
            maxWidth: '100%',
            maxHeight: '46vh',
            border: `1px solid ${colors.outlineVariant}`,
          }}
        />
      )}
      {shown && (
        <View style={styles.row}>
          {shown.made ? (
            <Action onPress={() => photographs.toCorners(shown)}>Back to the corners</Action>
          ) : (
            <Action
              mode="outlined"
              disabled={waits}
              onPress={() => void photographs.straighten(shown)}
            >
              See it straight
            </Action>
          )}
          <Action onPress={() => photographs.remove(shown)}>Leave this one out</Action>
        </View>
      )}
      {shown && (
        <SwitchRow
          label="White paper, without shadows"
          on={shown.isLightEvened}
          onChange={(isLightEvened) => photographs.correct(shown, { isLightEvened })}
        />
      )}
      {photos.length > 1 && <PhotoStrip photos={photos} shown={shown} onShow={photographs.show} />}
    </Sheet>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  foot: { gap: 10 },
});
