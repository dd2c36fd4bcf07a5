import { type ComponentProps, useState } from 'react';
import { ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import { ActivityIndicator, ProgressBar, Snackbar, Text, useTheme } from 'react-native-paper';
import { Action, EmptyScreen, IconAction, Notice, paperIcon, useNow, WIDE_FROM } from '@/ui';
import type { DeskDocument } from '@/storage';
import { AnswersCame } from './AnswersCame';
import { CopiesBack } from './CopiesBack';
import { DemoOffer } from './DemoOffer';
import { DocumentCard } from './DocumentCard';
import { RenameSheet } from './RenameSheet';
import { StorageNote } from './StorageNote';
import { useDesk } from './useDesk';
import { NewVersion } from './NewVersion';
import { Unkept } from './Unkept';
import { useIncomingFiles } from './useIncomingFiles';

/** A removal can be undone for so long, or until the next one, ms. */
const UNDO_FOR = 24_000;

const WHAT_IT_IS =
  'Marginalis is for writing on PDFs with a pen: ink, highlights and figures that stay editable.\nOpen a PDF, drop one here, or paste one; send a copy that looks the same everywhere.\nYour files stay on this device until you send them.';

/** The first screen, or why there can be none here. */
export function DeskScreen(props: {
  onOpen: (id: string) => void;
  /** Has sheets of paper photographed, for a new document. */
  onPhotograph: () => void;
  /** Shows what was sent. */
  onSent: () => void;
  /** Asks what of a document is to leave, and how. */
  onSend: (document: DeskDocument) => void;
}) {
  // Browsers keep hashes and locks, which the desk rests on, from pages that could have been changed on the way.
  if (!window.isSecureContext)
    return (
      <EmptyScreen
        title="This address is not secure"
        text="The browser keeps from it what the desk needs to store documents safely. Open Marginalis by an address that begins with https, or on this machine as localhost. Links can be read here."
      />
    );
  return <Desk {...props} />;
}

/** The documents being worked on. */
function Desk({ onOpen, onPhotograph, onSent, onSend }: ComponentProps<typeof DeskScreen>) {
  const desk = useDesk(onOpen);
  const { colors } = useTheme();
  const wide = useWindowDimensions().width >= WIDE_FROM;
  const now = useNow();
  const [renaming, setRenaming] = useState<string | null>(null);
  const pick = usePick(desk.addFiles);
  const dropping = useIncomingFiles(desk.addFiles);
  const documents = desk.documents ?? [];
  const shown = documents.find((d) => d.id === renaming) ?? null;

  return (
    <View role="main" style={[styles.screen, { backgroundColor: colors.background }]}>
      <View
        role="banner"
        style={[
          styles.head,
          { backgroundColor: colors.surface, borderColor: colors.outlineVariant },
        ]}
      >
        <Text
          variant={wide ? 'headlineMedium' : 'headlineSmall'}
          role="heading"
          aria-level={1}
          style={styles.title}
        >
          Marginalis
        </Text>
        {wide ? (
          <Action icon={paperIcon('camera')} onPress={onPhotograph}>
            Photograph paper
          </Action>
        ) : (
          <IconAction icon="camera" label="Photograph paper" onPress={onPhotograph} />
        )}
        {wide ? (
          <Action icon={paperIcon('send')} onPress={onSent}>
            What was sent
          </Action>
        ) : (
          <IconAction icon="send" label="What was sent" onPress={onSent} />
        )}
        <Action
          mode="contained"
          icon={paperIcon('open')}
          accessibilityLabel="Open a PDF"
          onPress={pick}
        >
          {wide ? 'Open a PDF' : 'Open'}
        </Action>
      </View>
      {desk.refusals.map(({ fileName, message }) => (
        <Notice
          key={fileName}
          text={`${fileName}: ${message}`}
          onClose={() => desk.forgetRefusal(fileName)}
        />
      ))}
      {desk.twice.map((one) => (
        <Notice
          key={one.document.id}
          text={`“${one.document.title}” is already on the desk.`}
          onClose={() => desk.forgetTwice(one)}
        >
          <Action onPress={() => onOpen(one.document.id)}>Open the one that is here</Action>
          <Action onPress={() => void desk.addFiles([one.file], true)}>A second, blank one</Action>
        </Notice>
      ))}
      <CopiesBack desk={desk} onOpen={onOpen} />
      {desk.documents && <AnswersCame documents={desk.documents} onOpen={onOpen} />}
      <NewVersion />
      <Unkept onOpen={onOpen} />
      {desk.unreadable > 0 && (
        <Notice
          text={`${desk.unreadable} entries of this desk cannot be read by this version. They are left as they are.`}
        />
      )}
      {desk.documents === undefined ? (
        <View style={styles.waiting} aria-busy>
          <ActivityIndicator accessibilityLabel="Reading the desk" />
        </View>
      ) : documents.length === 0 && !desk.adding ? (
        <EmptyScreen title="The desk is clear" text={WHAT_IT_IS}>
          <Action mode="outlined" onPress={pick}>
            Open a PDF
          </Action>
          <DemoOffer onAdd={desk.addDemo} />
        </EmptyScreen>
      ) : (
        <ScrollView contentContainerStyle={styles.scroll}>
          <View role="list" aria-label="Documents" style={[styles.grid, wide && styles.gridWide]}>
            {documents.map((document) => (
              <DocumentCard
                key={document.id}
                document={document}
                wide={wide}
                now={now}
                onOpen={() => onOpen(document.id)}
                onSend={() => onSend(document)}
                onRename={() => setRenaming(document.id)}
                onRemove={() => desk.remove(document)}
              />
            ))}
          </View>
          <DemoOffer onAdd={desk.addDemo} />
          <StorageNote />
        </ScrollView>
      )}
      {desk.adding && (
        // Over the foot of the desk: what lies there does not move.
        <View
          style={[
            styles.adding,
            { backgroundColor: colors.surface, borderColor: colors.outlineVariant },
          ]}
          role="status"
        >
          <Text>Opening {desk.adding} …</Text>
          <ProgressBar indeterminate accessibilityLabel={`Opening ${desk.adding}`} />
        </View>
      )}
      {dropping && (
        <View
          style={[
            styles.drop,
            { borderColor: colors.primary, backgroundColor: colors.primaryContainer },
          ]}
        >
          <Text variant="headlineSmall" style={{ color: colors.onPrimaryContainer }}>
            Drop PDFs here
          </Text>
        </View>
      )}
      {shown && (
        <RenameSheet
          key={shown.id}
          document={shown}
          onClose={() => setRenaming(null)}
          onRename={desk.rename}
        />
      )}
      <Snackbar
        visible={desk.said !== null}
        onDismiss={desk.forgetSaid}
        duration={UNDO_FOR}
        action={
          desk.said?.undo
            ? { label: 'Undo', onPress: desk.said.undo, contentStyle: styles.undo }
            : undefined
        }
      >
        {desk.said?.text ?? ''}
      </Snackbar>
    </View>
  );
}

/** Opens the system's file picker. */
function usePick(onFiles: (files: File[]) => void): () => void {
  return () => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = 'application/pdf,.pdf';
    input.multiple = true;
    input.onchange = () => onFiles([...(input.files ?? [])]);
    input.click();
  };
}

const styles = StyleSheet.create({
  screen: { flex: 1 },
  head: {
    flexDirection: 'row',
    alignItems: 'center',
    paddingHorizontal: 20,
    paddingVertical: 10,
    borderBottomWidth: 1,
    gap: 12,
  },
  title: { flex: 1 },
  undo: { minHeight: 44 },
  adding: {
    position: 'absolute',
    left: 0,
    right: 0,
    bottom: 0,
    borderTopWidth: 1,
    paddingHorizontal: 20,
    paddingVertical: 10,
    gap: 8,
  },
  waiting: { flex: 1, alignItems: 'center', justifyContent: 'center' },
  scroll: { padding: 20, gap: 20, maxWidth: 1240, width: '100%', alignSelf: 'center' },
  grid: { gap: 12 },
  gridWide: { flexDirection: 'row', flexWrap: 'wrap', gap: 20 },
  drop: {
    position: 'absolute',
    top: 12,
    left: 12,
    right: 12,
    bottom: 12,
    borderWidth: 2,
    borderStyle: 'dashed',
    borderRadius: 6,
    alignItems: 'center',
    justifyContent: 'center',
    opacity: 0.95,
    pointerEvents: 'none',
  },
});
