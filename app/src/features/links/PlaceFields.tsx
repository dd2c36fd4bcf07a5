import type { LinkTarget } from '@marginalis/core/document';
import type { Vec } from '@marginalis/core/geometry';
import { StyleSheet, View } from 'react-native';
import { useSession } from '@/session';
import { useReader } from '@/shell';
import { Action, Field } from '@/ui';
import { EDIT_LINK } from './ids';

/** A page by its name, and a place on it by touching it. */
export function PlaceFields(props: {
  page: string;
  hasPlace: boolean;
  onPage: (typed: string) => void;
  onPlace: (to: LinkTarget) => void;
  onWhole: () => void;
  onSubmit: () => void;
  onClose: () => void;
}) {
  const { page, hasPlace, onPage, onPlace, onWhole, onSubmit, onClose } = props;
  const session = useSession();
  const { stage, shell } = useReader();
  const lead = (index: number, at: Vec | null): void => {
    const page = session.store.getState().document.pages.at(index);
    if (page && at) onPlace({ page: page.id, at });
    shell.openDialog(EDIT_LINK);
  };
  const show = (): void => {
    onClose();
    session.hand.await({
      text: 'Go to the place and touch it.',
      here: () => {
        const { current } = stage.getSight();
        lead(current, stage.toUser(current, { x: 0, y: 0 }));
      },
      act: (_, { clientX, clientY }) => {
        const hit = stage.pageAt(stage.fromClient(clientX, clientY));
        lead(hit?.index ?? -1, hit?.user ?? null);
      },
    });
  };
  return (
    <View style={styles.place}>
      <Field
        label="Page"
        value={page}
        style={styles.page}
        onChangeText={onPage}
        onSubmitEditing={onSubmit}
      />
      <Action mode="outlined" onPress={show}>
        {hasPlace ? 'Another place …' : 'A place on it …'}
      </Action>
      {hasPlace && <Action onPress={onWhole}>The page as a whole</Action>}
    </View>
  );
}

const styles = StyleSheet.create({
  place: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8 },
  page: { width: 110 },
});
