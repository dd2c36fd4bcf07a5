import type { Bookmark } from '@marginalis/core/document';
import { renameBookmark } from '@marginalis/core/editing';
import { useEffect, useRef, useState } from 'react';
import { StyleSheet, type TextInput as NativeInput } from 'react-native';
import { TextInput, useTheme } from 'react-native-paper';
import { useSession } from '@/session';
import { naming } from './naming';

/** The title of a bookmark while it is typed. */
export function Naming({ bookmark }: { bookmark: Bookmark }) {
  const session = useSession();
  const { colors } = useTheme();
  const [title, setTitle] = useState(bookmark.title);
  const field = useRef<NativeInput>(null);
  useEffect(() => {
    field.current?.focus();
    // At once: what selects on focus does so a moment later, and the first letters of a quick hand would go with it.
    const input = document.activeElement;
    if (input instanceof HTMLInputElement) input.select();
  }, []);
  const take = (): void => {
    session.dispatch(renameBookmark(bookmark, title));
    naming.setState({ id: null });
  };
  return (
    <TextInput
      ref={field}
      mode="outlined"
      dense
      accessibilityLabel="Title of the bookmark"
      value={title}
      onChangeText={setTitle}
      maxLength={200}
      onSubmitEditing={take}
      onBlur={take}
      style={[styles.field, { backgroundColor: colors.surface }]}
    />
  );
}

const styles = StyleSheet.create({ field: { flex: 1, height: 44, marginVertical: 4 } });
