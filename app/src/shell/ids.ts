/** The dialogs of the shell itself. */
export const PALETTE = 'commands';
export const KEYS = 'keys';
export const SETTINGS = 'settings';
