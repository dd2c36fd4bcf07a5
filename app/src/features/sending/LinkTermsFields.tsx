import { LINK_DAYS, MOST_MESSAGE, PASSWORD_LENGTH } from '@marginalis/core/wire';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { Choices, Field, SwitchRow, SwitchRows } from '@/ui';
import { NewPassword } from './NewPassword';
import type { LinkTerms } from './useLinks';

/** Whether a link can be made so; a password that is begun has to be long enough. */
export const areFit = ({ password }: LinkTerms): boolean =>
  password === '' || password.length >= PASSWORD_LENGTH.least;

/** What else is asked of guests who get pictures only, and allowed them. */
const VIEW_TERMS = [
  ['asksName', 'Ask for their name, and write it over the pages'],
  ['mayPrint', 'They may print'],
  ['mayCopy', 'They may copy words'],
] as const;

/** How long a link lasts, what guests are asked for, and what they are told. */
export function LinkTermsFields(props: {
  terms: LinkTerms;
  onChange: (part: Partial<LinkTerms>) => void;
  /** The copy has notes that can be told. */
  hasNotes: boolean;
}) {
  const { terms, onChange, hasNotes } = props;
  const { colors } = useTheme();
  return (
    <View style={styles.all}>
      <Choices
        label="Guests can"
        value={terms.access}
        onChange={(access) => onChange({ access })}
        choices={[
          { value: 'file', label: 'Read and download' },
          { value: 'pictures', label: 'View only' },
        ]}
      />
      <Text style={{ color: colors.onSurfaceVariant }}>
        Whoever has the link{terms.password && ' and its password'} can{' '}
        {terms.access === 'file'
          ? 'read and download this copy'
          : 'look at pictures of its pages, and the file stays on the server'}
        , until it expires or you withdraw it.
      </Text>
      {terms.access === 'pictures' && (
        <SwitchRows rows={VIEW_TERMS} values={terms} onChange={onChange} />
      )}
      {hasNotes && (
        <SwitchRow
          label="They may answer the notes"
          on={terms.mayAnswer}
          onChange={(mayAnswer) => onChange({ mayAnswer })}
        />
      )}
      <Choices
        label="It lasts"
        value={terms.days}
        onChange={(days) => onChange({ days })}
        choices={LINK_DAYS.map((d) => ({ value: d, label: d === 1 ? '1 day' : `${d} days` }))}
      />
      <NewPassword
        label="Password for the link"
        value={terms.password}
        maxLength={PASSWORD_LENGTH.most}
        onChange={(password) => onChange({ password })}
        trouble={areFit(terms) ? null : `At least ${PASSWORD_LENGTH.least} characters.`}
        hint="Tell it to your guests another way than the link."
      />
      <Field
        label="Message to your guests"
        multiline
        maxLength={MOST_MESSAGE}
        value={terms.message}
        onChangeText={(message) => onChange({ message })}
      />
    </View>
  );
}

const styles = StyleSheet.create({ all: { gap: 12 } });
