import { marksOn, type Page, type PageMarks } from '@marginalis/core/document';
import { displaySize } from '@marginalis/core/geometry';
import { useEffect, useState } from 'react';
import { Image, StyleSheet, View } from 'react-native';
import { useTheme } from 'react-native-paper';
import { useSessionState } from '@/session';
import { useReader } from './ReaderContext';

/** A picture is not made anew for each stroke: marks have rested for so long, ms. */
const RESTED = 1_500;

/** A page, from 0, with its marks, in a box of `width` CSS pixels and no more than `tallest`. */
export function PageThumb({
  index,
  width,
  tallest,
}: {
  index: number;
  width: number;
  tallest: number;
}) {
  const page = useSessionState((s) => s.document.pages[index]);
  const marks = useSessionState((s) => (page ? marksOn(s.document, page.id) : null));
  return <PagePreview page={page ?? null} marks={marks} width={width} tallest={tallest} />;
}

/** Any page with marks, also of a document that is not open here; white while there is none. */
export function PagePreview({
  page,
  marks,
  width,
  tallest,
}: {
  page: Page | null;
  marks: PageMarks | null;
  width: number;
  tallest: number;
}) {
  const { thumbnails } = useReader();
  const { colors } = useTheme();
  const size = page ? displaySize(page) : { width: 1, height: 1 };
  const scale = Math.min(width / size.width, tallest / size.height);
  const [w, h] = [Math.round(size.width * scale), Math.round(size.height * scale)];
  const [picture, setPicture] = useState(() => (page ? thumbnails.known(page, w) : null));
  useEffect(() => {
    if (!page || !marks) return undefined;
    const unwanted = new AbortController();
    const make = (): void => {
      thumbnails.of(page, marks, w, unwanted.signal).then(
        (made) => made && setPicture(made),
        // A page that cannot be drawn stays white, as it does in the window.
        (e: unknown) => console.warn('A small picture was not made.', e),
      );
    };
    const waiting = setTimeout(make, thumbnails.known(page, w) ? RESTED : 0);
    return () => {
      clearTimeout(waiting);
      unwanted.abort();
    };
  }, [thumbnails, page, marks, w]);
  return (
    <View style={[styles.box, { width: w, height: h, borderColor: colors.outlineVariant }]}>
      {picture && <Image source={{ uri: picture }} style={{ width: w, height: h }} aria-hidden />}
    </View>
  );
}

const styles = StyleSheet.create({
  box: {
    backgroundColor: '#ffffff',
    outlineWidth: 1,
    outlineStyle: 'solid',
    outlineColor: 'rgba(26, 41, 71, 0.25)',
  },
});
