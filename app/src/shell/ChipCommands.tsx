import { useWindowDimensions } from 'react-native';
import { ChipButton } from '@/stage';
import { WIDE_FROM } from '@/ui';
import { isAble } from './commands';
import { useReader } from './ReaderContext';

/** The commands that have a button on the chip beside what is picked, or beside selected words. */
export function ChipCommands({ of }: { of: 'forPicked' | 'forWords' }) {
  const reader = useReader();
  const wide = useWindowDimensions().width >= WIDE_FROM;
  return reader
    .commands()
    .filter((command) => command.chip && command[of] && isAble(command))
    .map((command) => (
      <ChipButton
        key={command.id}
        icon={command.icon}
        text={wide ? (command[of] ?? '') : ''}
        label={command.title}
        onPress={() => command.run()}
      />
    ));
}
