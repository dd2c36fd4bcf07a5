/** The drawer, and what puts something into it. */
export const DRAWER = 'drawer';
export const PUT_IN = 'put-in-drawer';
