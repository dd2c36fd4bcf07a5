/** Dialogs of what leaves. */
export const SEND = 'send';
export const SENT = 'sent';
