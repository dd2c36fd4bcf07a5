/** The sheet of stamps. */
export const STAMPS = 'stamps';
