import { pageSizes } from '@marginalis/core/about';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useSession, useSessionState } from '@/session';
import type { Attachment } from '@/work';
import { Action, download, paperIcon, Sheet, sizeInWords, SwitchRow } from '@/ui';
import { kindInWords, locksInWords, pagesInWords, taggedInWords } from './inWords';
import { useAbout } from './useAbout';

const dateInWords = (time: number): string =>
  new Date(time).toLocaleString(undefined, { dateStyle: 'long', timeStyle: 'short' });

/** The sheet about the document: its kind, what its file says of itself, what lies within it. */
export function AboutSheet({ onClose }: { onClose: () => void }) {
  const { desk } = useSession();
  const pages = useSessionState((s) => s.document.pages);
  const { file, attachments, layers, counts, reading, trouble, showLayer } = useAbout();
  const { colors } = useTheme();
  const facts = file?.facts;
  const quiet = { color: colors.onSurfaceVariant };
  return (
    <Sheet title="About this document" open onClose={onClose}>
      <View role="status">
        <Text variant="bodyLarge">
          {counts
            ? kindInWords(counts)
            : `Reading its pages${reading ? `, ${reading.read} of ${reading.of}` : ''} …`}
        </Text>
      </View>
      {file && <Text>{taggedInWords(file.tagged)}</Text>}
      {locksInWords({ ...desk, copyLocked: file?.copyLocked ?? false }).map((said) => (
        <Text key={said}>{said}</Text>
      ))}
      {trouble && <Text role="alert">{trouble}</Text>}
      <View role="list" aria-label="What the file says of itself" style={styles.facts}>
        <Fact name="Title" value={facts?.title} />
        <Fact name="Author" value={facts?.author} />
        <Fact name="Subject" value={facts?.subject} />
        <Fact name="Keywords" value={facts?.keywords} />
        <Fact name="Written" value={facts?.created ? dateInWords(facts.created) : null} />
        <Fact name="Changed" value={facts?.changed ? dateInWords(facts.changed) : null} />
        <Fact name="Written with" value={facts?.creator} />
        <Fact name="Made by" value={facts?.producer} />
        <Fact name="Pages" value={pagesInWords(pageSizes(pages))} />
        <Fact name="File" value={`${desk.fileName}, ${sizeInWords(desk.size)}`} />
        <Fact name="Format" value={facts?.version ? `PDF ${facts.version}` : null} />
      </View>
      {attachments && attachments.length > 0 && (
        <Part title="Attachments">
          {attachments.map((one, k) => (
            <AttachedFile key={`${k} ${one.name}`} file={one} />
          ))}
        </Part>
      )}
      {layers && layers.length > 0 && (
        <Part title="Layers">
          <Text variant="bodySmall" style={quiet}>
            Shown or hidden here; a copy has them as the file does.
          </Text>
          {layers.map(({ id, name, shown }) => (
            <SwitchRow key={id} label={name} on={shown} onChange={(on) => showLayer(id, on)} />
          ))}
        </Part>
      )}
    </Sheet>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <View style={styles.part}>
      <Text variant="titleMedium" role="heading" aria-level={3}>
        {title}
      </Text>
      {children}
    </View>
  );
}

function Fact({ name, value }: { name: string; value: string | null | undefined }) {
  const { colors } = useTheme();
  if (!value) return null;
  return (
    <View role="listitem" style={styles.fact}>
      <Text style={[styles.name, { color: colors.onSurfaceVariant }]}>{name}</Text>
      <Text style={styles.value}>{value}</Text>
    </View>
  );
}

function AttachedFile({ file }: { file: Attachment }) {
  const { name, about, bytes } = file;
  const { colors } = useTheme();
  const save = (): void =>
    download(new File([bytes as BlobPart], name, { type: 'application/octet-stream' }));
  return (
    <View style={styles.attached}>
      <View style={styles.value}>
        <Text numberOfLines={1}>{name}</Text>
        <Text variant="bodySmall" style={{ color: colors.onSurfaceVariant }} numberOfLines={2}>
          {[sizeInWords(bytes.length), about].filter(Boolean).join(' · ')}
        </Text>
      </View>
      <Action
        mode="outlined"
        icon={paperIcon('download')}
        onPress={save}
        accessibilityLabel={`Save ${name}`}
      >
        Save
      </Action>
    </View>
  );
}

const styles = StyleSheet.create({
  facts: { gap: 6 },
  fact: { flexDirection: 'row', gap: 12 },
  name: { width: 104 },
  value: { flex: 1, minWidth: 0 },
  part: { gap: 6, marginTop: 6 },
  attached: { flexDirection: 'row', alignItems: 'center', gap: 12, minHeight: 52 },
});
