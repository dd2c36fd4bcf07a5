import type { ReaderFeature } from './feature';
import { KEYS, PALETTE, SETTINGS } from './ids';
import { CommandPalette, KeysSheet, LetterLook, SettingsSheet, TextLook } from './lateParts';

/** What the shell itself can do: the list of everything, and the list of keys. */
export const shellFeature: ReaderFeature = {
  name: 'shell',
  dialogs: [
    { id: PALETTE, Content: CommandPalette },
    { id: KEYS, Content: KeysSheet },
  ],
  later: [SettingsSheet, LetterLook, TextLook],
  commands: ({ shell }) => [
    {
      id: PALETTE,
      title: 'Commands',
      group: 'View',
      icon: 'find',
      keys: ['Mod+K'],
      short: 'Commands',
      bar: 70,
      hidden: true,
      run: () => shell.openDialog(PALETTE),
    },
    {
      id: KEYS,
      title: 'Keys',
      group: 'View',
      also: 'keyboard shortcuts help',
      icon: 'keys',
      keys: ['?'],
      settings: 50,
      run: () => shell.openDialog(KEYS),
    },
    {
      id: SETTINGS,
      title: 'Settings',
      group: 'Settings',
      also: 'hand fingers name ink files keys preferences options',
      icon: 'settings',
      keys: ['Mod+,'],
      run: () => shell.openDialog(SETTINGS),
    },
  ],
};
