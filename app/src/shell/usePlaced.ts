import { useStore } from 'zustand';
import { useShallow } from 'zustand/react/shallow';
import { isAble } from './commands';
import type { Command, CommandPlace } from './feature';
import { useReader } from './ReaderContext';

/** The commands that have a button in this place, in their order there, told anew when one of them looks otherwise. */
export function usePlaced(place: CommandPlace): readonly Command[] {
  const reader = useReader();
  const placed = (): Command[] =>
    reader
      .commands()
      .filter((command) => command[place] !== undefined)
      .sort((a, b) => (a[place] ?? 0) - (b[place] ?? 0));
  // Writing on costs nothing here.
  const looks = (): string[] =>
    placed().map((c) => `${c.id} ${c.title} ${isAble(c)} ${c.on?.() ?? ''}`);
  useStore(reader.session.store, useShallow(looks));
  useStore(reader.shell.store, useShallow(looks));
  return placed();
}
