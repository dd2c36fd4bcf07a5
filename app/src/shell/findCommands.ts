import { matchSorter, rankings } from 'match-sorter';
import { type Command, GROUPS } from './feature';

/** What can be found by its name: with nothing typed all in their groups, else what fits best first. */
export function findCommands(commands: readonly Command[], typed: string): readonly Command[] {
  const listed = commands.filter((command) => !command.hidden);
  if (typed.trim() === '')
    return [...listed].sort((a, b) => GROUPS.indexOf(a.group) - GROUPS.indexOf(b.group));
  return matchSorter(listed, typed.trim(), {
    keys: [
      'title',
      // Letters here and there are enough in what it is called only.
      { key: ({ also }) => also?.split(' ') ?? [], threshold: rankings.STARTS_WITH },
      { key: 'group', threshold: rankings.STARTS_WITH },
    ],
    // Of those that fit alike the one named first stays first.
    baseSort: (a, b) => a.index - b.index,
  });
}
