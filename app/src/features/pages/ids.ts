export const TABLE = 'pages';
export const MOVE_PAGES = 'move-pages';
export const WIDEN_PAGES = 'widen-pages';
export const CROP_PAGES = 'crop-pages';
export const BRING_PAGES = 'bring-pages';
export const REPLACE_PAGE = 'replace-page';
export const SPLIT_PAGES = 'split-pages';
export const NUMBER_PAGES = 'number-pages';
