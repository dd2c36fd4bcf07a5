/** Whether a key is meant for a field: what is typed there is nobody else's. */
export const isTyping = ({ target }: KeyboardEvent): boolean =>
  target instanceof Element && target.closest('input, textarea, [contenteditable=true]') !== null;
