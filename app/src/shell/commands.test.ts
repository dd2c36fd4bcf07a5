import { commandForKey, inGroups } from './commands';
import type { Command } from './feature';
import { findCommands } from './findCommands';

const command = (id: string, more: Partial<Command> = {}): Command => ({
  id,
  title: id,
  group: 'Marks',
  run: () => undefined,
  ...more,
});

test('of several commands with one key the first that is able is meant', () => {
  let picked = true;
  const all = [
    command('Move what is picked', { keys: ['ArrowUp'], able: () => picked }),
    command('Move the paper', { keys: ['ArrowUp'] }),
  ];
  expect(commandForKey(all, 'ArrowUp')?.id).toBe('Move what is picked');
  picked = false;
  expect(commandForKey(all, 'ArrowUp')?.id).toBe('Move the paper');
  expect(commandForKey(all, 'X')).toBeNull();
});

test('commands are found by a few letters, by other words, and by their group', () => {
  const all = [
    command('Fit width', { group: 'View' }),
    command('Add a ruled page', { group: 'Pages', also: 'lines paper insert' }),
    command('Undo', { group: 'Document' }),
    command('Move the paper', { hidden: true }),
  ];
  const found = (typed: string): string[] => findCommands(all, typed).map(({ id }) => id);
  expect(found('')).toEqual(['Undo', 'Add a ruled page', 'Fit width']);
  expect(found('fw')).toEqual(['Fit width']);
  expect(found('insert')).toEqual(['Add a ruled page']);
  expect(found('paper')).toEqual(['Add a ruled page']);
  expect(found('view')).toEqual(['Fit width']);
  expect(found('zzz')).toEqual([]);
  expect(inGroups(all).map(([group]) => group)).toEqual(['Document', 'Pages', 'Marks', 'View']);
});
