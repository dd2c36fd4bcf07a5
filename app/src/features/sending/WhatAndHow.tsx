import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { type Choice, Choices, Field, SwitchRow } from '@/ui';
import { type Asked, canBeSmaller, isCopy } from './asked';
import { LinkTermsFields } from './LinkTermsFields';
import { MailFields } from './MailFields';
import type { MailTerms } from './mailTerms';
import { StandsIn, type SystemWays } from './system';
import type { LinkTerms } from './useLinks';

/** The three questions: what is to leave, as what, and how. */
export function WhatAndHow(props: {
  asked: Asked;
  /** Why no pages are named, in words; null where some are. */
  trouble: string | null;
  /** How many pages carry marks, and how many notes there are. */
  marked: number;
  /** The document is open: a page is in sight. */
  isOpen: boolean;
  /** The ways out there are, and the one taken. */
  ways: readonly Asked['how'][];
  how: Asked['how'];
  system: SystemWays;
  notes: number;
  /** It says of something who made it. */
  hasAuthors: boolean;
  /** Some of its pages are cut down. */
  isCutDown: boolean;
  onChange: (part: Partial<Asked>) => void;
  /** What a link is made with. */
  terms: LinkTerms;
  onTerms: (part: Partial<LinkTerms>) => void;
  /** What an e-mail says. */
  mail: MailTerms;
  onMail: (part: Partial<MailTerms>) => void;
}) {
  const { asked, trouble, marked, isOpen, ways, how, system, notes, hasAuthors, isCutDown } = props;
  const { onChange, terms, onTerms, mail, onMail } = props;
  const { colors } = useTheme();
  const notesLabel = notes === 1 ? 'Its note' : `Its ${notes} notes`;
  return (
    <View style={styles.all}>
      <Choices
        label="What"
        value={asked.what}
        onChange={(what) => onChange({ what })}
        choices={[
          { value: 'whole', label: 'All pages' },
          { value: 'marked', label: `Pages with marks (${marked})` },
          ...(isOpen ? ([{ value: 'here', label: 'This page' }] as const) : []),
          { value: 'some', label: 'Pages …' },
          ...(isOpen ? ([{ value: 'region', label: 'Part of a page …' }] as const) : []),
        ]}
      />
      {asked.what === 'some' && (
        <Field
          label="Pages"
          placeholder="2-5, 9"
          value={asked.typed}
          maxLength={200}
          onChangeText={(typed) => onChange({ typed })}
        />
      )}
      {trouble && (
        <Text role="status" style={{ color: colors.onSurfaceVariant }}>
          {trouble}
        </Text>
      )}
      {asked.what === 'region' ? (
        <Text style={{ color: colors.onSurfaceVariant }}>
          A part leaves as a picture: nothing that lies outside it is in the file.
        </Text>
      ) : (
        <Choices
          label="As"
          value={asked.as}
          onChange={(as) => onChange({ as })}
          choices={[
            { value: 'fixed', label: 'A fixed copy' },
            { value: 'living', label: 'A living copy' },
            { value: 'pictures', label: 'Pictures' },
            { value: 'markdown', label: 'Notes as text' },
            { value: 'table', label: 'Notes as a table' },
          ]}
        />
      )}
      {asked.as === 'living' && (
        <Text style={{ color: colors.onSurfaceVariant }}>
          Marks and notes stay annotations: others can move, answer and remove them, and it opens
          here with everything as it is.
        </Text>
      )}
      {asked.as === 'pictures' && (
        <>
          <Choices
            label="Kind"
            value={asked.picture}
            onChange={(picture) => onChange({ picture })}
            choices={[
              { value: 'png', label: 'PNG' },
              { value: 'jpeg', label: 'JPEG' },
            ]}
          />
          <Choices
            label="Resolution"
            value={asked.dpi}
            onChange={(dpi) => onChange({ dpi })}
            choices={RESOLUTIONS.map((dpi) => ({ value: dpi, label: `${dpi} dpi` }))}
          />
        </>
      )}
      {asked.as !== 'living' && asked.what !== 'region' && isCopy(asked.as) && notes > 0 && (
        <Choices
          label={notesLabel}
          value={asked.notes}
          onChange={(where) => onChange({ notes: where })}
          choices={[
            { value: 'beside', label: 'Beside the page' },
            { value: 'end', label: 'At the end' },
            { value: 'none', label: 'Left out' },
          ]}
        />
      )}
      {asked.as === 'living' && notes > 0 && (
        <Choices
          label={notesLabel}
          value={asked.notes === 'none' ? 'none' : 'end'}
          onChange={(where) => onChange({ notes: where })}
          choices={[
            { value: 'end', label: 'As annotations' },
            { value: 'none', label: 'Left out' },
          ]}
        />
      )}
      {hasAuthors && asked.what !== 'region' && (
        <SwitchRow
          label="Say who made marks and notes"
          on={asked.authors}
          onChange={(authors) => onChange({ authors })}
        />
      )}
      {isCutDown && (asked.as === 'fixed' || asked.as === 'living') && (
        <SwitchRow
          label="Leave out what is cut away from pages"
          on={asked.withoutCut}
          onChange={(withoutCut) => onChange({ withoutCut })}
        />
      )}
      <Choices
        label="How"
        value={how}
        onChange={(how) => onChange({ how })}
        choices={WAYS.filter(({ value }) => ways.includes(value))}
      />
      {canBeSmaller(asked, how) && (
        <Choices
          label="Pictures in it"
          value={asked.smaller}
          onChange={(smaller) => onChange({ smaller })}
          choices={[
            { value: 0, label: 'As they are' },
            { value: 150, label: 'Smaller (150 dpi)' },
            { value: 96, label: 'For screens (96 dpi)' },
          ]}
        />
      )}
      {how === 'link' && (
        <LinkTermsFields
          terms={terms}
          onChange={onTerms}
          hasNotes={notes > 0 && (asked.as === 'living' || asked.notes !== 'none')}
        />
      )}
      {how === 'mail' && <MailFields terms={mail} onChange={onMail} />}
      {how === 'share' && (
        <StandsIn
          of={system.share}
          says="This browser cannot share files. With the sample data they go to a stand-in share sheet on the server, and nowhere else."
          see="See what was shared"
        />
      )}
      {how === 'print' && (
        <>
          <StandsIn
            of={system.print}
            says="This browser cannot print PDFs. With the sample data they go to a stand-in printer on the server, and nowhere else."
            see="See what was printed"
          />
          <Choices
            label="Pages on a sheet"
            value={asked.perSheet}
            onChange={(perSheet) => onChange({ perSheet })}
            choices={([1, 2, 4] as const).map((n) => ({ value: n, label: String(n) }))}
          />
          <SwitchRow
            label="Lines to write on beside each page"
            on={asked.room}
            onChange={(room) => onChange({ room })}
          />
        </>
      )}
    </View>
  );
}

/** Pixels an inch: as on a screen, for reading, for printing. */
const RESOLUTIONS = [96, 150, 300] as const;

const WAYS: readonly Choice<Asked['how']>[] = [
  { value: 'download', label: 'Download' },
  { value: 'share', label: 'Share' },
  { value: 'clipboard', label: 'Copy' },
  { value: 'link', label: 'A link' },
  { value: 'mail', label: 'E-mail' },
  { value: 'print', label: 'Print' },
];

const styles = StyleSheet.create({ all: { gap: 12 } });
