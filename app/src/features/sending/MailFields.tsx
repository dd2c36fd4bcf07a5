import { StyleSheet, View } from 'react-native';
import { HelperText, Text, useTheme } from 'react-native-paper';
import { Choices, Field, InlineLink } from '@/ui';
import { type MailTerms, troubleOf } from './mailTerms';
import { useMailWay } from './useMailWay';

/** Where the mails of the simulated service are shown. */
const OUTBOX = '/stand-ins/outbox';

/** What an e-mail says, and how it leaves. */
export function MailFields(props: {
  terms: MailTerms;
  onChange: (part: Partial<MailTerms>) => void;
}) {
  const { terms, onChange } = props;
  const { colors } = useTheme();
  const way = useMailWay();
  const trouble = troubleOf(terms);
  return (
    <View style={styles.all}>
      {way !== null && (
        <Choices
          label="It leaves"
          value={terms.by}
          onChange={(by) => onChange({ by })}
          choices={[
            { value: 'file', label: 'By your mail program' },
            { value: 'server', label: 'From here' },
          ]}
        />
      )}
      <Text style={{ color: colors.onSurfaceVariant }}>
        {terms.by === 'file'
          ? 'A file is made that your mail program opens, with the copy attached. You send it from there.'
          : way === 'outbox'
            ? 'With the sample data mail is kept in an outbox on the server and goes nowhere.'
            : 'The server sends it now.'}
      </Text>
      {terms.by === 'server' && way === 'outbox' && (
        <Text>
          <InlineLink address={OUTBOX} text="See the outbox" colour={colors.primary} />
        </Text>
      )}
      <Field
        label="To"
        inputMode="email"
        autoCapitalize="none"
        autoComplete="email"
        autoCorrect={false}
        placeholder="Addresses, with commas between"
        value={terms.to}
        maxLength={2000}
        onChangeText={(to) => onChange({ to })}
      />
      <Field
        label="Subject"
        value={terms.subject}
        maxLength={200}
        onChangeText={(subject) => onChange({ subject })}
      />
      <Field
        label="Text"
        accessibilityLabel="Text of the e-mail"
        multiline
        numberOfLines={4}
        value={terms.text}
        maxLength={5000}
        onChangeText={(text) => onChange({ text })}
      />
      {trouble && (
        <HelperText type="error" role="status" style={styles.trouble}>
          {trouble}
        </HelperText>
      )}
    </View>
  );
}

const styles = StyleSheet.create({ all: { gap: 12 }, trouble: { paddingVertical: 0 } });
