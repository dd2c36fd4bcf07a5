import {
  boxHeight,
  boxOfPoints,
  boxWidth,
  displayMatrix,
  displaySize,
  transform,
} from '@marginalis/core/geometry';
import { useTheme } from 'react-native-paper';
import { useStore } from 'zustand';
import { useSession, useSettings } from '@/session';
import { type Command, isAble, withdrawQuestion, placeAsked, useReader } from '@/shell';
import { Chip, ChipButton, usePageSeen } from '@/stage';
import { Area } from '@/ui';

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
  const asked = useStore(placeAsked, (s) => s.asked);
  const page = usePageSeen(index);
  const { colors } = useTheme();
  if (!page || asked?.session !== session || asked.place.index !== index) return null;
  const { place } = asked;
  const display = displayMatrix(page);
  const seen = boxOfPoints((place.area ?? [place.at]).map((corner) => transform(display, corner)));
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
          left: `${(100 * seen.minX) / width}%`,
          top: `${(100 * seen.minY) / height}%`,
          ...(place.area
            ? {
                width: `${(100 * boxWidth(seen)) / width}%`,
                height: `${(100 * boxHeight(seen)) / height}%`,
                boxSizing: 'border-box',
                border: `1.5px dashed ${colors.primary}`,
              }
            : {
                width: DOT,
                height: DOT,
                margin: -DOT / 2,
                borderRadius: DOT,
                background: colors.primary,
              }),
          pointerEvents: 'none',
          zIndex: 3,
        }}
      />
      <Chip
        index={index}
        page={page}
        ink={[]}
        hand={hand}
        clearOf={place.area ?? [place.at]}
        width={CHIP}
        label="Put here"
      >
        {commands.map((command) => (
          <Area key={command.id} data-here style={{ display: 'flex' }}>
            <ChipButton
              icon={command.icon}
              text={command.forPlace ?? ''}
              onPress={() => {
                withdrawQuestion();
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
