export const UNLOCK = 'open-locked-pages';
