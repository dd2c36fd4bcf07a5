import { late } from './late';

/** Parts of the shell that the first page and the first stroke have no need of. */
export const CommandPalette = late(async () => (await import('./CommandPalette')).CommandPalette);
export const KeysSheet = late(async () => (await import('./KeysSheet')).KeysSheet);
export const SettingsSheet = late(async () => (await import('./SettingsSheet')).SettingsSheet);
export const TextLook = late(async () => (await import('./TextLook')).TextLook);
export const LetterLook = late(async () => (await import('./TextLook')).LetterLook);
/** A sheet to write on with the pen: a remark, a signature. */
export const InkPad = late(async () => (await import('./pad/InkPad')).InkPad);
