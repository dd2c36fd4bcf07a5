export const TABLE = 'pages';
export const MOVE_PAGES = 'move-pages';
export const CROP_PAGES = 'crop-pages';
