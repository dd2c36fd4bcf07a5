/** The panel of how what is picked looks. */
export const RESTYLE = 'restyle';
