/** The panel of all notes. */
export const NOTES = 'notes';
