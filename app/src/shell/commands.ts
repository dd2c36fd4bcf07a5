import {
  type Command,
  type CommandGroup,
  GROUPS,
  type Reader,
  type ReaderFeature,
} from './feature';
import { spellKey } from './keys';

/** Every command of the features, in their order: what they can do now. */
export const commandsOf = (
  features: readonly ReaderFeature[],
  reader: Reader,
): readonly Command[] => features.flatMap((feature) => feature.commands?.(reader) ?? []);

export const isAble = (command: Command): boolean => command.able?.() ?? true;

/** Does what a double tap on what is picked means; false where it means nothing. */
export function doDoubleTap(commands: readonly Command[]): boolean {
  const command = commands.find((one) => one.forDoubleTap && isAble(one));
  command?.run();
  return command !== undefined;
}

/** The keys of a command as people read them, the first where there are many. */
export const spelledKeys = ({ keys, spelled }: Command): string | undefined =>
  spelled ?? (keys?.[0] ? spellKey(keys[0]) : undefined);

/** The command that a key means now; null when it means none. */
export const commandForKey = (commands: readonly Command[], key: string): Command | null =>
  commands.find((command) => command.keys?.includes(key) && isAble(command)) ?? null;

/** Commands under their groups, in order; groups that have none are left out. */
export const inGroups = (
  commands: readonly Command[],
): readonly (readonly [CommandGroup, readonly Command[]])[] =>
  GROUPS.map((group) => [group, commands.filter((c) => c.group === group)] as const).filter(
    ([, all]) => all.length > 0,
  );
