import { remarkRuns } from '@marginalis/core/derived';
import { memo } from 'react';
import { Text, useTheme } from 'react-native-paper';
import { useSession } from '@/session';
import { FONT, InlineLink } from '@/ui';

/** What a remark says: with its emphasis, and addresses that can be followed. */
export const RemarkText = memo(function RemarkText({ text }: { text: string }) {
  const { leadsOut } = useSession();
  const { colors } = useTheme();
  return (
    <Text variant="bodyMedium" {...{ dir: 'auto' }}>
      {remarkRuns(text).map(({ text: said, bold, slanted, address }, k) =>
        address && URL.canParse(address) ? (
          <InlineLink
            key={k}
            address={address}
            text={said}
            colour={colors.primary}
            onFollow={leadsOut.ask}
          />
        ) : bold || slanted ? (
          <Text key={k} style={bold ? { fontFamily: FONT.bold } : { fontStyle: 'italic' }}>
            {said}
          </Text>
        ) : (
          said
        ),
      )}
    </Text>
  );
});
