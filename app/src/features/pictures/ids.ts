/** The sheet about the picture that is picked. */
export const ABOUT_PICTURE = 'about-picture';
