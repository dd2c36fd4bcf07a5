import {
  forgetting,
  listMarks,
  listNotes,
  listRows,
  phrasesBeneath,
} from '@marginalis/core/derived';
import { isAsCame, isCutDown } from '@marginalis/core/document';
import { waitingUnits } from '@marginalis/core/edition';
import { leadsGone } from '@marginalis/core/guide';
import { markedPages, saysAuthors } from '@marginalis/core/leaving';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { passwordOf, useSession, useSessionState } from '@/session';
import { Sheet } from '@/ui';
import { type Asked, dpiOf, howOf, isCopy, waysFor } from './asked';
import { documentOf } from './copyOfPart';
import { copyName, picturesName } from './fileName';
import { areFit } from './LinkTermsFields';
import { LinksMade } from './LinksMade';
import { firstMail, troubleOf } from './mailTerms';
import { NamePattern } from './NamePattern';
import { notesFile } from './notesFile';
import { canProtect, firstProtection, protectionOf, troubleOfProtection } from './protection';
import { ProtectionFields } from './ProtectionFields';
import { PagePreview } from './PagePreview';
import { RegionPreview } from './region/RegionPreview';
import { SendFoot } from './SendFoot';
import { useSystemWays } from './system';
import { type InSight, type Part, useAsked } from './useAsked';
import { FIRST_TERMS, useLinks } from './useLinks';
import { goneInWords, waitingInWords } from './goneInWords';
import { useDeadLinks } from './useDeadLinks';
import { missedInForm } from './missedInForm';
import { useNaming } from './useNaming';
import { useSending } from './useSending';
import { WhatAndHow } from './WhatAndHow';
import { WrongPages } from './WrongPages';

/** Asks what is to leave, as what and how, shows it before it is made, and sends it with one button. The original is never replaced. */
export function SendSheet({ onClose, inSight }: { onClose: () => void; inSight: InSight | null }) {
  const { asked, change, part, trouble, first, taken } = useAsked(inSight);
  const { id, title } = useSession().desk;
  const document = useSessionState((s) => s.document);
  const marked = useMemo(() => markedPages(document).length, [document]);
  const hasAuthors = useMemo(() => saysAuthors(document), [document]);
  const [terms, setTerms] = useState(FIRST_TERMS);
  // What opens the pages is offered for the copy.
  const [password] = useState(() =>
    document.pages.map(passwordOf).find((one) => one !== undefined),
  );
  const [protecting, setProtecting] = useState(() => firstProtection(password));
  const [mail, setMail] = useState(() => firstMail(title));
  const links = useLinks(id, title);
  const count = part?.document.pages.length ?? 0;
  const system = useSystemWays();
  const ways = waysFor(asked, count, system);
  const how = howOf(asked, ways);
  const mayProtect = canProtect(asked.as, how);
  const protection = mayProtect ? protectionOf(protecting) : null;
  const sending = useSending(part, asked, protection, links, {
    how,
    system,
    mail,
    link: terms,
  });
  const isFit =
    (how !== 'link' || areFit(terms)) &&
    (how !== 'mail' || troubleOf(mail) === null) &&
    !(mayProtect && troubleOfProtection(protecting));
  return (
    <Sheet
      title="Send"
      open
      onClose={onClose}
      foot={
        part && (
          <SendFoot
            how={how}
            sending={sending}
            mailsFromHere={mail.by === 'server'}
            isFit={isFit}
          />
        )
      }
    >
      {part && sending.isDoubtful && <WrongPages pages={sending.wrong} names={part.names} />}
      {part && taken && <RegionPreview part={part} taken={taken} />}
      {part && isCopy(asked.as) && !taken && (
        <AsCopy
          part={part}
          asked={asked}
          as={asked.as}
          first={first}
          isWrittenAnew={protection !== null || dpiOf(asked, how) !== null}
        />
      )}
      {part && !isCopy(asked.as) && <AsNotes part={part} as={asked.as} />}
      <WhatAndHow
        asked={asked}
        trouble={trouble}
        marked={marked}
        ways={ways}
        how={how}
        system={system}
        isOpen={inSight !== null}
        notes={part ? listNotes(part.document).length : 0}
        hasAuthors={hasAuthors}
        isCutDown={part?.document.pages.some(isCutDown) ?? false}
        onChange={change}
        terms={terms}
        onTerms={(by) => setTerms({ ...terms, ...by })}
        mail={mail}
        onMail={(by) => setMail({ ...mail, ...by })}
      />
      {mayProtect && (
        <ProtectionFields
          terms={protecting}
          onChange={(by) => setProtecting({ ...protecting, ...by })}
          isLocked={password !== undefined}
        />
      )}
      {how === 'link' && <LinksMade links={links} onRenew={sending.renew} />}
    </Sheet>
  );
}

function AsCopy(props: {
  part: Part;
  asked: Pick<Asked, 'notes' | 'picture'>;
  as: 'fixed' | 'living' | 'pictures';
  first: number;
  /** It is locked or made smaller, so that the bytes of the original cannot stand in it. */
  isWrittenAnew: boolean;
}) {
  const { part, asked, as, first, isWrittenAnew } = props;
  const { notes, picture } = asked;
  const session = useSession();
  const { signed, source, pages } = session.desk;
  const naming = useNaming(part.inName);
  const keepsSignature =
    as === 'living' && !isWrittenAnew && isAsCame(part.document, source, pages.length);
  const { colors } = useTheme();
  const missed = useMemo(() => missedInForm(part.document), [part]);
  const dead = useDeadLinks(part.document);
  const waiting = useMemo(
    () => waitingInWords(waitingUnits(session.store.getState().document).length),
    [session],
  );
  const gone = useMemo(() => {
    const outline = session.guide.store.getState().outline ?? [];
    return goneInWords(
      leadsGone(session.store.getState().document, session.leadingSource(), outline),
      dead,
    );
  }, [session, dead]);
  const name =
    as === 'pictures' ? picturesName(naming, part.names.length, picture) : copyName(naming, as);
  const forgets = useMemo(() => forgetting(phrasesBeneath(part.document)), [part]);
  const nameTells = forgets !== null && forgets(name) !== null;
  // As people count them: a line of writing is one.
  const marks = useMemo(
    () => listRows(listMarks(documentOf({ part, notes, as }))).length,
    [part, notes, as],
  );
  // A page of a living copy looks as one of a fixed copy does, without what is told of notes.
  const of = useMemo(
    () => ({ part, notes: as === 'living' ? ('none' as const) : notes }),
    [part, notes, as],
  );
  return (
    <PagePreview key={part.inName} of={of} first={first}>
      <FileName name={name} says={marksInWords(marks, as)} />
      {nameTells && (
        <Text role="alert" style={{ color: colors.error }}>
          The name says what lies beneath a bar. Choose another: “How files are named”.
        </Text>
      )}
      {signed && !keepsSignature && as !== 'pictures' && (
        <Text style={{ color: colors.error }}>
          The original is signed. This copy no longer carries the signature.
        </Text>
      )}
      {missed && <Text style={{ color: colors.error }}>{missed}</Text>}
      {gone && as !== 'pictures' && <Text>{gone}</Text>}
      {waiting && <Text>{waiting}</Text>}
    </PagePreview>
  );
}

/** So much of the notes is shown before they are sent, lines. */
const LINES = 12;

function AsNotes({ part, as }: { part: Part; as: 'markdown' | 'table' }) {
  const { colors } = useTheme();
  const naming = useNaming(part.inName);
  const { file, text } = useMemo(
    () => notesFile(part.document, part.names, naming, as),
    [part, naming, as],
  );
  return (
    <>
      <FileName name={file.name} says={notesInWords(listNotes(part.document).length)} />
      <Text
        numberOfLines={LINES}
        testID="notes-alone"
        style={[styles.text, { borderColor: colors.outlineVariant }]}
      >
        {text}
      </Text>
    </>
  );
}

/** What a file is called, and what is in it. */
function FileName({ name, says }: { name: string; says: string }) {
  const { colors } = useTheme();
  return (
    <View style={styles.file}>
      <Text variant="titleMedium" selectable>
        {name}
      </Text>
      <Text style={{ color: colors.onSurfaceVariant }}>{says} The original stays as it is.</Text>
      <NamePattern />
    </View>
  );
}

const marksInWords = (count: number, as: 'fixed' | 'living' | 'pictures'): string => {
  if (count === 0) return 'There are no marks on it yet.';
  const marks = count === 1 ? '1 mark' : `${count} marks`;
  return as !== 'living'
    ? `${marks} drawn into the pages.`
    : count === 1
      ? '1 mark as an annotation.'
      : `${marks} as annotations.`;
};

const notesInWords = (count: number): string =>
  count === 0 ? 'There are no notes on it.' : `${count === 1 ? '1 note' : `${count} notes`}.`;

const styles = StyleSheet.create({
  file: { gap: 4 },
  text: { borderWidth: 1, borderRadius: 4, padding: 10, fontSize: 13, lineHeight: 18 },
});
