/** The panel of all notes. */
export const NOTES = 'notes';
/** The panel of what is to be done. */
export const TASKS = 'tasks';
