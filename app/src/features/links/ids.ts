export const EDIT_LINK = 'edit-link';
export const LINKS = 'links';
