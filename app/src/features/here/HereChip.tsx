import { displayMatrix, displaySize, transform } from '@marginalis/core/geometry';
import { useTheme } from 'react-native-paper';
import { useStore } from 'zustand';
import { useSession, useSettings } from '@/session';
import { type Command, isAble, useReader } from '@/shell';
import { Chip, ChipButton, usePageSeen } from '@/stage';
import { Area } from '@/ui';
import { hereHeld, letGo } from './hereHeld';

/** About how wide it is, CSS pixels. */
const CHIP = 240;
/** Across the dot at the place, CSS pixels. */
const DOT = 8;

/** What can stand at the place that is held, what was put somewhere last first. */
export function HereChip({ index }: { index: number }) {
  const session = useSession();
  const reader = useReader();
  const hand = useSettings((s) => s.hand);
  const placed = useSettings((s) => s.placed);
  const held = useStore(hereHeld, (s) => s.held);
  const page = usePageSeen(index);
  const { colors } = useTheme();
  if (!page || held?.session !== session || held.place.index !== index) return null;
  const { place } = held;
  const { x, y } = transform(displayMatrix(page), place.at);
  const { width, height } = displaySize(page);
  const commands = reader
    .commands()
    .filter((command) => command.atPlace && isAble(command))
    .sort((a, b) => rank(placed, a) - rank(placed, b));
  return (
    <>
      <Area
        aria-hidden
        style={{
          position: 'absolute',
          left: `${(100 * x) / width}%`,
          top: `${(100 * y) / height}%`,
          width: DOT,
          height: DOT,
          margin: -DOT / 2,
          borderRadius: DOT,
          background: colors.primary,
          pointerEvents: 'none',
          zIndex: 3,
        }}
      />
      <Chip
        index={index}
        page={page}
        ink={[]}
        hand={hand}
        clearOf={[place.at]}
        width={CHIP}
        label="Put here"
      >
        {commands.map((command) => (
          <Area key={command.id} data-here style={{ display: 'flex' }}>
            <ChipButton
              icon={command.icon}
              text={command.forPlace ?? ''}
              onPress={() => {
                letGo();
                useSettings.getState().notePlaced(command.id);
                command.atPlace?.(place);
              }}
            />
          </Area>
        ))}
      </Chip>
    </>
  );
}

const rank = (placed: readonly string[], { id }: Command): number => {
  const at = placed.indexOf(id);
  return at < 0 ? placed.length : at;
};
