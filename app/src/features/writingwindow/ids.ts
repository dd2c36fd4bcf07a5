/** The panel of the writing window. */
export const WINDOW = 'writing-window';
