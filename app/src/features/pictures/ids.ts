/** The sheet about the picture that is picked. */
export const ABOUT_PICTURE = 'about-picture';
/** The sheet in which paper is photographed. */
export const PHOTOGRAPH_PAPER = 'photograph-paper';
