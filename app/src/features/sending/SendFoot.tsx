import { StyleSheet, View } from 'react-native';
import { ProgressBar, Text, useTheme } from 'react-native-paper';
import { Action, type IconName, paperIcon } from '@/ui';
import type { Asked } from './asked';
import { copyInWords, picturesInWords } from './copyInWords';
import { proofInWords } from './proofInWords';
import type { MadeCopy } from './useCopy';
import type { Sending } from './useSending';

const WAYS: Readonly<Record<Asked['how'], { readonly label: string; readonly icon: IconName }>> = {
  download: { label: 'Download', icon: 'download' },
  share: { label: 'Share', icon: 'send' },
  clipboard: { label: 'Copy', icon: 'copy' },
  link: { label: 'Make a link', icon: 'link' },
  mail: { label: 'Make the e-mail', icon: 'mail' },
  print: { label: 'Print', icon: 'print' },
};

const DOING = {
  making: 'Making the copy',
  proving: 'Comparing it with the screen',
  drawing: 'Drawing the pictures',
} as const;

/** The one button, and how far it has come. */
export function SendFoot(props: {
  how: Asked['how'];
  sending: Sending;
  /** Whether an e-mail is sent from here, and not made for a mail program. */
  mailsFromHere: boolean;
  /** Whether it can be sent as it is asked for. */
  isFit: boolean;
}) {
  const { how, sending, mailsFromHere, isFit } = props;
  const { state, told, isLeaving, isNothing, isDoubtful, send, stop } = sending;
  const { colors } = useTheme();
  const { icon } = WAYS[how];
  const label = how === 'mail' && mailsFromHere ? 'Send the e-mail' : WAYS[how].label;
  if (state.phase !== 'idle' && state.phase !== 'made' && state.phase !== 'failed') {
    const { done, all, phase } = state;
    const doing = DOING[phase];
    return (
      <View style={styles.all} role="status">
        <Text>
          {doing}: page {done} of {all}
        </Text>
        {/* In a box of its own: it takes all the height there is. */}
        <View style={styles.bar}>
          <ProgressBar progress={all === 0 ? 0 : done / all} accessibilityLabel="Pages finished" />
        </View>
        <Action onPress={stop}>Stop</Action>
      </View>
    );
  }
  return (
    <View style={styles.all}>
      {state.phase === 'failed' && (
        <Text role="alert" style={{ color: colors.error }}>
          {state.message}
        </Text>
      )}
      {state.phase === 'made' && <Told made={state} />}
      {isDoubtful && (
        <Text role="alert" style={{ color: colors.error }}>
          Look at it above before it leaves.
        </Text>
      )}
      {told && (
        <Text
          role={told.isTrouble ? 'alert' : 'status'}
          style={{ color: told.isTrouble ? colors.error : colors.onSurfaceVariant }}
        >
          {told.text}
        </Text>
      )}
      <Action
        mode="contained"
        icon={paperIcon(icon)}
        onPress={send}
        loading={isLeaving}
        disabled={isLeaving || isNothing || !isFit}
      >
        {state.phase === 'failed' ? 'Try again' : isDoubtful ? `${label} all the same` : label}
      </Action>
    </View>
  );
}

/** What a copy has become, and what its proof says. */
function Told({ made: { copy, proved, pictures } }: { made: MadeCopy }) {
  const { colors } = useTheme();
  const isWrong = proved.proof?.alike === false;
  return (
    <>
      <Text role="status" testID="copy-made" style={{ color: colors.onSurfaceVariant }}>
        {pictures ? picturesInWords(copy.pages, pictures.size) : copyInWords(copy)}
      </Text>
      <Text
        role={isWrong ? 'alert' : 'status'}
        testID="proof"
        style={{ color: isWrong ? colors.error : colors.onSurfaceVariant }}
      >
        {proved.proof
          ? proofInWords(proved.proof)
          : `This copy was not compared with the screen: ${proved.why}`}
      </Text>
    </>
  );
}

const styles = StyleSheet.create({ all: { gap: 10 }, bar: { height: 4 } });
